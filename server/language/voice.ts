/** Everything that the server says: its own texts, the core's and the contract's. */
import { fieldsText } from '../../contract/form/en.ts';
import { coreText } from '../../core/en.ts';
import { serverText } from './en.ts';

export const serverVoice = { ...coreText, ...fieldsText, ...serverText };
