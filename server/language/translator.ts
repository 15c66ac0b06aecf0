/** The server's voice: its own texts, and all that the core and the contract say. */
import type { Translator as TranslatorOf } from '../../core/language/message.ts';
import type { ServerText } from './text.ts';

/** It will do wherever the core wants its own. */
export type Translator = TranslatorOf<ServerText> & TranslatorOf;
