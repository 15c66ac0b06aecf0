/** Fields that several schemas share. */
import './wording.ts';
import { array, boolean, number, string } from 'yup';
import { dayFromIso, isZone } from '../../core/calendar/day.ts';

const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/;

/** An id, made by whoever creates the thing. */
export const id = () => string().max(36).matches(UUID, 'field.id');
/** A short line of text. */
export const line = (longest = 120) => string().trim().max(longest);
export const note = () => string().trim().max(2000);
export const isoDay = () => string().test('iso-day', 'field.day', (value) => value == null || isIsoDay(value));
export const zone = () => string().test('zone', 'field.zone', (value) => value == null || isZone(value));
/** Where letters go. */
export const email = () => string().trim().email().max(120);
export const count = (most: number) => number().integer().min(0).max(most);
export const instant = () => number().integer().min(0).max(4102444800000);
export const yes = () => boolean();
/** Photos that come with a form. */
export const photoIds = () => array().of(id().required()).max(6).default([]);
export const ids = (most: number) => array().of(id().required()).min(1).max(most);

function isIsoDay(value: string): boolean {
  try {
    return dayFromIso(value) > 0;
  } catch {
    return false;
  }
}
