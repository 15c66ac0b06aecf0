/** The definitions of standing, as a landlord can read them out in a dispute; the same on screen and paper. */
export const standingDefinitions = {
  'standing.how.past':
    'A part is past its line from the day after the day on which it was due. A past-line day is one day of one part. It ends on the day the work was done, whenever that was proven.',
  'standing.how.then':
    'Every day is judged by the line as it was drawn by then. Changing a practice or an assumption today changes no earlier day. Work that is logged later counts from the day it was done.',
  'standing.how.verdict':
    'A home is sound when every part that counts is in order; in breach when a safety-critical part is past its line, more than {share, number, ::percent .} of its parts are, or a machine there is called unsafe; else to watch. It is not known when nothing in it has a record.',
  'standing.how.risk': 'Weights: fire 5, flood 4, health 3, breakage 2, comfort 1.',
  'standing.how.onTime':
    'On time: done before the line, or within a tenth of the interval and at most seven days after it; no day after it where safety hangs on it. The first service of a part had no line and does not count.',
  'standing.how.levels':
    'Attested: said by the tenant. Self-certified: doer and judge are one. Checked: accepted by rule. Proven: looked at by another person. Spot-checked: seen on the spot.',
  'standing.cut': 'The register began on {day}. Nothing is known of the time before, and nothing of it is counted.',
} as const;
