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
  'filters.title': 'Thin, dense or deep',
  'filters.lead':
    'What each kind of air filter would ask of this home in a year{size, select, none {} other { at {size}}}. {findings, plural, =0 {Nothing was graded here yet: it fills as assumed} one {By what was found once, it fills {speed} times as fast as assumed} other {By what was found # times, it fills {speed} times as fast as assumed}}.',
  'filters.year': 'In a year',
  'filters.now': 'there now',
  'filters.kind.thin': 'Thin',
  'filters.kind.dense': 'Dense',
  'filters.kind.deep': 'Deep (4–5 in media)',
  'filters.days': '{days, plural, one {# day} other {# days}}{assumed, select, true {, reference assumed} other {}}',
  'filters.who': '{tenant, select, true {the tenant may} other {staff}}',
  'filters.price': '{price}{ofSize, select, true {, of its size} other {}}',
  'filters.unpriced': 'no price',
  'filters.without': '{sum}, without the filter',
  'filters.faults': '{aYear} ({reported, plural, =0 {none} other {#}} reported in {years} years)',
  'filters.air':
    '{fpm, number} ft/min, {met, select, true {within {most, number}} other {too fast: {most, number} at most}}',
  'filters.air.none': '{kind, select, thin {lets it through freely} other {size or airflow not written down}}',
  'filters.group.filter': 'The filter',
  'filters.group.home': 'The whole home with it',
  'filters.row.days': 'Between changes here',
  'filters.row.changes': 'Changes',
  'filters.row.who': 'Who changes it',
  'filters.row.price': 'Price of one',
  'filters.row.filters': 'Filters',
  'filters.row.requests': 'Requests to the tenant',
  'filters.row.doors': 'Doors of staff',
  'filters.row.hours': 'Hours of staff',
  'filters.row.calls': 'Calls of a licensed trade',
  'filters.row.total': 'Cost of upkeep',
  'filters.row.heavy': 'Served heavy or blocked',
  'filters.row.faults': 'Faults a machine, as reported',
  'filters.row.air': 'Air at the frame',
  'filters.choose': 'Use {kind} here',
  'filters.chosen': '{kind} holds for this machine from today.',
  'filters.undo': 'Back to what it was',
  'filters.noPrices': 'No prices are entered: hours, doors and filters are counted and not priced.',
  'filters.toPrices': 'Enter prices',
  'filters.cabinet':
    'A deep filter wants a cabinet of its depth. Where there is none, fitting one is work for a licensed contractor, and its price is not in these figures. Once it is in, leave out the return filter in the register and add the media filter.',
  'filters.how': 'How this is reckoned',
  'filters.how.1':
    'The change that is due next comes when what is there now is due; from then on each kind by its own reference, the practice and the household here, and as fast as filters were found to fill here.',
  'filters.how.2':
    'The rest of the home stays as it is. Parts of one machine that fall due near each other are one sitting, staff work within a fortnight is one door, and what a tenant’s budget does not hold goes to staff. Each figure is the mean of {years, number} years.',
  'filters.how.3':
    'Faults are those that were reported on your machines by the filter that they have today, drawn towards the rate of all of them where few years were watched. They are a count: what else those machines have in common is in it.',
  'filters.how.4':
    'Air: airflow over the face of the frame; about 300 ft/min at most for dense one-inch pleats and 500 for deep media. A maker’s own limit goes before all of this.',
} as const;
