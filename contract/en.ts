/** What the schemas say, on either side of the door. */
export const fieldsText = {
  'field.required': 'Please fill this in.', 'field.invalid': 'This value does not fit.', 'field.oneOf': 'Pick one of the choices.',
  'field.type': 'This value does not fit.', 'field.minLength': 'At least {min} characters.', 'field.maxLength': 'At most {max} characters.',
  'field.email': 'Write an email address, like name@example.org.', 'field.matches': 'This value does not fit.',
  'field.min': 'At least {min, number}.', 'field.max': 'At most {max, number}.', 'field.integer': 'Whole numbers only.',
  'field.minItems': 'Pick at least {min, number}.', 'field.maxItems': 'At most {max, number}.', 'field.unknown': 'This field is not known.',
  'field.id': 'What this is about is not there any more. Go back, open it again, and send it once more.', 'field.day': 'Write a date, like 2026-11-24.', 'field.zone': 'Pick a time zone from the list.',
  'field.password': 'Use at least ten characters.', 'field.filterSize': 'Write a size like 16 x 25 x 1 or 400 x 625 x 25 mm.',
  'field.reason': 'Say what has to be better; the tenant reads this.', 'field.found': 'Say what was found.', 'field.done': 'Say in a few words what was done.',
  'field.rule': 'Write a recurrence rule such as FREQ=MONTHLY;BYDAY=1SA: days, weeks, months or years only.', 'field.currency': 'Three letters, such as EUR.',
  'field.dismissReason': 'Say why it can wait; a later reader depends on it.', 'field.recheck': 'Pick a day after today on which somebody looks again.',
  'field.hardness': 'No drinking water holds that much. Which unit does your report use?', 'field.peopleNone': 'At least one. For an empty home end the tenancy, or put the home on hold.',
  'field.peopleMany': 'At most 20. A larger household is several units, or a shared space.', 'field.wholeDays': 'Whole days, from 1 to 3,650 (ten years).',
  'field.rating': 'A rating is a number from 1 to 20.', 'field.leftOut': 'A machine keeps at least one of its own parts.', 'field.airflow': 'Between 50 and 10,000 CFM. 400 CFM go with a ton of cooling.', 'field.runMinutes': 'From 5 minutes to 6 hours.', 'field.drains': 'From 1 to 60 drains.', 'field.wholeNumber': 'Whole numbers only.', 'field.unitTaken': 'There is already a unit called {name} there.', 'field.twice': '{name} stands here twice.',
  'field.range': 'Between {low, number, ::.##} and {high, number, ::.##}.', 'field.order': 'Watchful at most as long as Steady, Steady at most as long as Light.',
} as const;
