/** What the schemas say, on either side of the door. */
export const fieldsText = {
  'field.required': 'Please fill this in.', 'field.invalid': 'This value does not fit.', 'field.oneOf': 'Pick one of the choices.',
  'field.type': 'This value does not fit.', 'field.minLength': 'At least {min} characters.', 'field.maxLength': 'At most {max} characters.',
  'field.email': 'Write an email address, like name@example.org.', 'field.matches': 'This value does not fit.',
  'field.min': 'At least {min, number}.', 'field.max': 'At most {max, number}.', 'field.integer': 'Whole numbers only.',
  'field.minItems': 'Pick at least {min, number}.', 'field.maxItems': 'At most {max, number}.', 'field.unknown': 'This field is not known.',
  'field.id': 'This reference is broken. Reload the page.', 'field.day': 'Write a date, like 2026-11-24.', 'field.zone': 'Pick a time zone from the list.',
  'field.password': 'Use at least ten characters.', 'field.filterSize': 'Write a size like 16 x 25 x 1 or 400 x 625 x 25 mm.',
  'field.reason': 'Say what has to be better; the tenant reads this.', 'field.found': 'Say what was found.',
} as const;
