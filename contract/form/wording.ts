/** What the rules of a schema say, as message keys. Imported before any schema is built. */
import { setLocale } from 'yup';

const message = (key: string) => (values: object) => ({ key, values });

/** Our own wording of the rules, as message keys; call sites may name a key instead. */
setLocale({
  mixed: {
    default: message('field.invalid'),
    required: message('field.required'),
    defined: message('field.required'),
    notNull: message('field.required'),
    oneOf: message('field.oneOf'),
    notType: message('field.type'),
  },
  string: {
    min: message('field.minLength'),
    max: message('field.maxLength'),
    email: message('field.email'),
    matches: message('field.matches'),
    length: message('field.length'),
    url: message('field.url'),
  },
  number: { min: message('field.min'), max: message('field.max'), integer: message('field.integer') },
  array: { min: message('field.minItems'), max: message('field.maxItems') },
  object: { noUnknown: message('field.unknown') },
});
