/** English text of the register: starting templates, and what may be wrong with an imported row. */
export const registerText = {
  'starter.studio': 'Studio: hood, fridge, bathroom fan, drains', 'starter.oneBed': 'One-bed flat with dishwasher and washer', 'starter.twoBed': 'Two-bed flat with air handler, washer and dryer',
  'starter.house': 'House with air handler, vented dryer and disposer', 'starter.bare': 'Nothing yet',
  'column.property': 'Property', 'column.address': 'Address', 'column.zone': 'Time zone', 'column.waterSource': 'Water source', 'column.hardness': 'Hardness mg/L', 'column.building': 'Building', 'column.unit': 'Unit', 'column.kind': 'Kind',
  'column.tenant': 'Tenant', 'column.since': 'Since', 'column.people': 'People', 'column.pets': 'Pets', 'column.cooking': 'Cooking', 'column.loads': 'Loads a week', 'column.machine': 'Machine', 'column.label': 'Called', 'column.maker': 'Maker', 'column.model': 'Model',
  'column.installed': 'Installed', 'column.fuel': 'Fuel', 'column.wired': 'Wired in', 'column.owner': 'Owner', 'column.branch': 'Drain branch', 'column.filterSize': 'Filter size', 'column.drains': 'Drains', 'column.lastDone': 'Last done', 'column.leftOut': 'Without',
  'row.missing': '{column} is empty.', 'row.long': '{column} is longer than {most, number} characters.', 'row.machine': '“{value}” is no machine of the catalogue. Write one of its names, like {example}.', 'row.oneOf': '{column}: “{value}” is none of {choices}.',
  'row.day': '{column}: “{value}” is no date. Write it like 2026-11-24.', 'row.number': '{column}: “{value}” is no whole number from {low, number} to {high, number}.', 'row.size': '{column}: “{value}” is no filter size. Write it like 16 x 25 x 1 or 400 x 625 x 25 mm.',
  'row.zone': 'Time zone: “{value}” is not known. Write it like Europe/Dublin.', 'row.fuel': '{machine} does not burn gas.', 'row.future': '{column}: {value} is still to come.', 'row.alone': '{column} belongs to a machine, and the machine is empty.',
  'row.differs': '{column} of {name} is “{value}” here, and otherwise in row {row, number}.', 'row.twice': 'The same machine of {name} stands in row {row, number}. Give one of them a name of its own under Called.', 'row.registered': '{name} already has this machine.',
  'row.part': 'Without: “{value}” is no part of this machine.', 'row.tenantDate': 'Since is empty. A tenancy has a first day.', 'row.tenancy': '{name} is already let in the register.', 'row.people': 'People is empty. A tenancy has a household.',
  'row.registeredAs': '{column} of {name} is “{first}” in the register and “{value}” here.',
} as const;
