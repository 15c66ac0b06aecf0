/** Pages that are found by their name, beside those of the menu: settings, and what is seldom opened. */
import { say } from '../language/say.ts';

export interface NamedPage {
  readonly to: string;
  readonly name: string;
}

const SETTINGS = ['methods', 'assumptions', 'calendar', 'prices', 'repairs', 'office'] as const;

/** All pages that somebody may open by name. @param menu those of the menu @param who what they manage */
export function pagesOf(
  menu: readonly NamedPage[],
  { isManager, managesAll }: { readonly isManager: boolean; readonly managesAll: boolean },
): NamedPage[] {
  const account = { to: '/account', name: say('nav.account') };
  if (!isManager) return [...menu, account];
  return [
    ...menu,
    account,
    ...SETTINGS.map((part) => ({
      to: `/practice/${part}`,
      name: `${say('nav.practice')}: ${say(`practice.part.${part}`)}`,
    })),
    ...(managesAll ? [{ to: '/homes/import', name: say('homes.import') }] : []),
    { to: '/homes/baseline', name: say('homes.baseline') },
    { to: '/homes/labels', name: say('homes.labels') },
    ...(managesAll ? [{ to: '/homes/templates', name: say('template.title') }] : []),
    { to: '/inspections', name: say('inspections.title') },
  ];
}
