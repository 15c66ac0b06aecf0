/** Every text by its key, with what it wants said with it. Written by `npm run text`. */
import type { None } from '../../core/language/values.ts';

export interface FieldsText {
  'field.airflow': None;
  'field.cause': None;
  'field.currency': None;
  'field.day': None;
  'field.dismissReason': None;
  'field.done': None;
  'field.drains': None;
  'field.email': None;
  'field.filterSize': None;
  'field.found': None;
  'field.hardness': None;
  'field.id': None;
  'field.integer': None;
  'field.invalid': None;
  'field.leftOut': None;
  'field.matches': None;
  'field.max': { max: number };
  'field.maxItems': { max: number };
  'field.maxLength': { max: string | number };
  'field.min': { min: number };
  'field.minItems': { min: number };
  'field.minLength': { min: string | number };
  'field.oneOf': None;
  'field.order': None;
  'field.password': None;
  'field.peopleMany': None;
  'field.peopleNone': None;
  'field.range': { low: number; high: number };
  'field.rating': None;
  'field.reason': None;
  'field.recheck': None;
  'field.remedy': None;
  'field.required': None;
  'field.rule': None;
  'field.runMinutes': None;
  'field.subject': None;
  'field.twice': { name: string | number };
  'field.type': None;
  'field.unitTaken': { name: string | number };
  'field.unknown': None;
  'field.wholeDays': None;
  'field.wholeNumber': None;
  'field.zone': None;
}
