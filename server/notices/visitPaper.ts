/** The notice of a visit, on paper: for whoever has no mail, and for the door. */
import type { Call } from '../context/context.ts';
import { notFound } from '../context/problem.ts';
import { noticeHours } from '../jobs/entry.ts';
import { bold, paperOf, plain } from '../words/pdf.ts';
import { numbersOf } from './duty.ts';
import { entryWords } from './householdLetter.ts';
import { voiceFor } from './reader.ts';

/**
 * The notice as PDF, in the language of whoever gets it.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function printVisit({ env, db, actor }: Call, id: string): Promise<Buffer> {
  const visit = await db.visit.one({ id, organisationId: actor.organisationId });
  if (!visit) throw notFound();
  const place = (await db.place.one({ id: visit.placeId }))!;
  const property = (await db.property.one({ id: place.propertyId }))!;
  const tenant = (await db.person.one({ id: visit.tenantId }))!;
  const visitor = (await db.person.one({ id: visit.personId }))!;
  const say = await voiceFor(env, db, tenant);
  const hours = await noticeHours(db, property.id, visit.day);
  const { office: number } = await numbersOf(db, property.id);
  const words = { ...entryWords(say, visit), who: visitor.name, office: actor.organisation };
  return paperOf(say('visit.paper.title'), (paper) => {
    bold(paper, 20).text(say('visit.paper.title'));
    plain(paper, 11)
      .moveDown(0.5)
      .text(
        say('visit.paper.to', {
          tenant: tenant.name,
          place: place.name,
          property: property.name,
          address: property.address,
        }),
      );
    bold(paper, 14).moveDown(1).text(say('visit.paper.says', words));
    plain(paper, 12).moveDown(0.6).text(say('visit.paper.purpose', words));
    if (number) plain(paper, 12).moveDown(0.6).text(say('visit.paper.answer', { number }));
    plain(paper, 10).moveDown(3).text(say('visit.paper.handed'));
    plain(paper, 9).moveDown(1).text(say('visit.paper.law', { hours }));
  });
}
