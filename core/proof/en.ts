/** English text of findings: the reviewer's sentence, and the assignee's. */
export const proofText = {
  'finding.missing.reviewer': 'Missing: {item}.',
  'finding.missing.assignee': 'Still missing: {item}.',
  'finding.offered.reviewer':
    'Finished after it was taken back or given to somebody else. Accepting takes it, and takes the part out of what others have in hand.',
  'finding.offered.assignee': 'The office had taken this back meanwhile; it decides whether it counts.',
  'finding.planBroken.reviewer':
    '{steps, plural, one {One step} other {# steps}} of this sitting cannot have been done in the order and state that was sent.',
  'finding.planBroken.assignee': 'The order in which we got the steps cannot be right. Tell us what you did.',
  'finding.readingFails.reviewer':
    '{name}: {value, number} {unit}{judged, select, drop {, a drop of {figure, number} K,} rate {, {figure, number} L a minute,} other {}} does not pass.',
  'finding.readingFails.assignee':
    '{name} was {value, number} {unit}{judged, select, drop {, a drop of {figure, number} K} rate {, {figure, number} L a minute} other {}}. {fails}',
  'finding.readingImplausible.reviewer': '{name}: {value, number} {unit} is hardly possible.',
  'finding.readingImplausible.assignee': '{name}: is {value, number} {unit} a slip?',
  'finding.waitSkipped.reviewer':
    'Done in {minutes, number, duration}; its waits and runs alone take {waits, number, duration}.',
  'finding.waitSkipped.assignee': 'A wait or a run was cut short: they take {waits, number, duration}.',
  'finding.tooFast.reviewer':
    'Done in {minutes, number, duration}; for this person the work takes about {quickest, number, duration} at the least, waits included.',
  'finding.tooFast.assignee': 'The times we got are shorter than the work takes, waits included.',
  'finding.claimedOutside.reviewer':
    'Said to have been done on {day}, before anybody could have ({from}). It counts from when it was received.',
  'finding.claimedOutside.assignee':
    'Your device says {day}, before the job was given ({from}). It counts from today; check the date on your device.',
  'finding.timeFits.reviewer':
    'The time fits the work: {minutes, number, duration}, shortest plausible {quickest, number, duration}.',
  'finding.timeFits.assignee': 'The time fits the work.',
  'finding.samePicture.reviewer': '“{slot}” is nearly identical to a photo of {day} ({percent, number} % alike).',
  'finding.samePicture.assignee': 'The photo “{slot}” looks like one sent earlier. Please take a new one.',
  'finding.capturedOutside.reviewer': '“{slot}” was taken outside the time of this job.',
  'finding.capturedOutside.assignee': 'The photo “{slot}” was not taken during this job.',
  'finding.tooDark.reviewer': '“{slot}” is too dark to see.',
  'finding.tooDark.assignee': 'The photo “{slot}” is too dark. Please take it with more light.',
  'finding.blurred.reviewer': '“{slot}” is blurred.',
  'finding.blurred.assignee': 'The photo “{slot}” is blurred. Please hold still and take it again.',
  'finding.wrongSize.reviewer': 'Size {found} on the frame; the register says {wanted}.',
  'finding.wrongSize.assignee': 'You read {found}; we expected {wanted}.',
  'finding.sizeFits.reviewer': 'The size matches the register: {found}.',
  'finding.sizeFits.assignee': 'The size matches.',
  'finding.faceHigh.reviewer':
    'Through this filter the air goes at {fpm, number} ft/min; usual is up to {limit, number} (from memory). A larger face, a deeper cabinet or a more open filter.',
  'finding.faceHigh.assignee': 'This filter is tight for so much air: tell the office which one you put in.',
  'finding.forbiddenAgent.reviewer': 'Used {agent}, which the register forbids here.',
  'finding.forbiddenAgent.assignee': 'Please do not use {agent} on this machine.',
  'finding.agentsMet.reviewer':
    '{agent} was used, and {other} the same day in this machine or a drain of its branch. {reason}',
  'finding.agentsMet.assignee': '{reason} Air the room, rinse with plenty of water, and do not mix them.',
  'finding.agentsRinse.reviewer':
    '{agent} was used, and {other} the same day in this machine: was there a plain rinse between? {reason}',
  'finding.agentsRinse.assignee': 'Between {other} and {agent} a plain rinse cycle, please.',
  'finding.alwaysClean.reviewer': 'The last {count, number} grades of this person are all “clean”.',
  'finding.alwaysClean.assignee': 'All of your last parts were clean: the next look may come later.',
  'finding.confirmed.reviewer': 'All {count, number} stop points and closing tests confirmed.',
  'finding.confirmed.assignee': 'All confirmed.',
} as const;
