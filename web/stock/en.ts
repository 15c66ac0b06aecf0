/** What is said of the shelf. */
export const stockText = {
  'stock.title': 'Stock',
  'stock.how':
    'Reckoned from the dates of every part that takes something, and from how late {services, plural, =0 {work usually is, as we assume} one {its one service of a year was} other {its # services of a year were}}. Weeks differ together by about {swing, number} %.',
  'stock.none': 'Nothing is taken off a shelf here yet',
  'stock.none.why': 'As soon as machines with filters or batteries are registered, what they take stands here.',
  'stock.order': 'To order',
  'stock.order.none': 'Nothing is to be ordered now.',
  'stock.order.why':
    '{shelf, number} there; {at, number} may go in the {weeks, plural, one {week} other {# weeks}} that it takes to come',
  'stock.lack':
    'Rounds lack {count, number} from {day} on{late, select, true {: ordered today it comes too late} other {: order by {by}}}.',
  'stock.rounds': 'Rounds to come take:',
  'stock.round': '{count, number} with {who} on {day}{left, select, none {} other { ({left} left)}}',
  'stock.order.sum':
    'Together {sum}{unpriced, plural, =0 {} one {, one thing has no price} other {, # things have no price}}',
  'stock.noSupplier': 'No supplier named',
  'stock.pieces': '{count, number} ×',
  'stock.uncounted':
    '{count, plural, one {One thing is} other {# things are}} not counted, and not in this list: count them below.',
  'stock.shelf': 'On the shelf',
  'stock.withoutSize':
    '{count, plural, one {One part has} other {# parts have}} no size in the register: what they take is counted without one, and cannot be ordered.',
  'stock.parts': 'for {count, plural, one {one part} other {# parts}}',
  'stock.count': 'Count',
  'stock.notCounted': 'Not counted yet.',
  'stock.there': '{count, number} there: counted {at}{taken, plural, =0 {} other {, # taken since}}.',
  'stock.reorder':
    'Order at {at, number}: with {service, number, percent} no more is taken in the {weeks, plural, one {week} other {# weeks}} until it comes.',
  'stock.weeks': 'What the coming weeks take: {name}',
  'stock.week': '{mean} ({low, number}–{high, number})',
  'stock.leftOut':
    'Left out: agents and cleaning supplies, and what homes on hold would take. A week’s figure is its mean; in brackets a band of 80 %.',
  'stock.quantity': 'How many',
  'stock.counted': 'So many are there',
  'stock.received': 'So many came in',
  'stock.bought': 'How it is bought',
  'stock.supplier': 'Supplier',
  'stock.price': 'Price of one, {currency}',
  'stock.pack': 'In packs of',
  'stock.lead': 'Weeks until it comes',
  'stock.service': 'How sure',
  'stock.service.level': '{service, number, percent}',
  'stock.save': 'Save how it is bought',
} as const;
