/** English words of recurrence rules. */
export const calendarText = {
  'rule.daily': '{every, plural, one {every day} other {every # days}}',
  'rule.weekly': '{every, plural, one {every {days}} other {{days} of every # weeks}}',
  'rule.monthly':
    '{every, plural, one {on {days} of every month} =2 {on {days} of every second month} other {on {days} of every # months}}',
  'rule.yearly': '{every, plural, one {on {days}, every year} other {on {days}, every # years}}',
  'rule.yearly.months': '{every, plural, one {on {days} of {months}} other {on {days} of {months}, every # years}}',
  'rule.inMonths': ', in {months} only',
  'rule.from': '{rule}, from {start}',
  'rule.count': ', {count, plural, one {once} other {# times}}',
  'rule.until': ', until {day}',
  'rule.positions': '{positions} of these: {rule}',
  'rule.nth': 'the {nth, selectordinal, one {#st} two {#nd} few {#rd} other {#th}} {day}',
  'rule.last': 'the last {day}',
  'rule.lastButOne': 'the last but one {day}',
  'rule.each': 'each {day}',
  'rule.date': 'the {date, selectordinal, one {#st} two {#nd} few {#rd} other {#th}}',
  'rule.lastDay': 'the last day',
  'rule.dayBeforeEnd': 'the {days, selectordinal, one {#st} two {#nd} few {#rd} other {#th}} day from the end',
  'rule.first': 'the first {day}',
  'rule.when': '{days} when it is {weekdays}',
} as const;
