/** English words of a contractor's visit. */
import { procedureWords } from './wording.ts';

export const contractorText = {
  ...procedureWords('contractor.visit', {
    point: 'Contractor’s visit',
    task: 'Contractor’s visit, as the contract says',
    why: 'What is inside, under pressure or wired is for a licensed trade. Nobody comes unless they are asked.',
    mistakes: 'A bill taken for a report. A report that names another machine. What it asks for, left in the folder.',
    steps: {
      report: [
        'Photograph the report',
        'The page that names the machine, the day and what was done. No paper? The dated and signed sticker on the machine.',
      ],
      read: [
        'Read what it says',
        'Does it name this machine and its day? What the report asks for is entered as a deficiency, with its day.',
      ],
    },
    confirm: {
      machine: 'It names this machine, the day and who came',
      open: 'What it asks for is entered, or it asks for nothing',
    },
    photo: { report: 'Report or dated sticker' },
  }),
};
