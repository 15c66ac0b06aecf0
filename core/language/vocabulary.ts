/** The English vocabulary: one word per thing, said alike by the server and the web. */
export const vocabulary = {
  'kind.filter': 'filter', 'kind.screen': 'screen', 'kind.seal': 'seal', 'kind.drain': 'drain', 'kind.coil': 'coil',
  'kind.duct': 'duct', 'kind.fan': 'fan', 'kind.tub': 'tub', 'kind.sensor': 'sensor',
  'practice.watchful': 'Watchful', 'practice.steady': 'Steady', 'practice.light': 'Light', 'practice.maker': 'Maker’s manual', 'practice.maker.why': 'The limit that the maker’s manual gives, where it is entered; elsewhere Steady.', 'practice.watchful.why': 'The shortest interval that practitioners work to.', 'practice.steady.why': 'What most practitioners say.',
  'practice.light.why': 'The longest that any practitioner accepts.',
  'grade.clean': 'clean', 'grade.light': 'a little', 'grade.due': 'time for it', 'grade.heavy': 'heavy', 'grade.blocked': 'blocked',
  'agent.bleach': 'bleach', 'agent.vinegar': 'vinegar', 'agent.citricAcid': 'citric acid', 'agent.ammonia': 'ammonia', 'agent.dishSoap': 'dish soap',
  'agent.bakingSoda': 'baking soda', 'agent.enzyme': 'enzyme cleaner', 'agent.cleaner': 'a bought cleaner', 'agent.tablet': 'detergent tablet', 'agent.degreaser': 'degreaser', 'agent.oxygenBleach': 'oxygen bleach', 'agent.softener': 'softener', 'agent.water': 'warm water and a brush',
  'state.noRecord': 'no record', 'state.onHold': 'on hold', 'state.fresh': 'fresh', 'state.nearing': 'nearing',
  'state.past': 'past the line', 'state.longPast': 'long past',
  'anchor.none': 'By its interval', 'anchor.seasonTurn': 'Turn of the season', 'anchor.beforeCooling': 'Before the cooling season', 'anchor.firstWarm': 'First warm spell',
  'anchor.betweenVisits': 'Between the contractor’s visits', 'anchor.rule': 'A rule',
  'severity.lifeThreatening': 'danger to life', 'severity.severe': 'severe', 'severity.moderate': 'moderate', 'severity.low': 'low',
  'evidence.attested': 'attested', 'evidence.selfCertified': 'self-certified', 'evidence.proven': 'proven', 'evidence.spotChecked': 'spot-checked',
} as const;
