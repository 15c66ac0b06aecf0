/** English text of measurements: terms, limits with their source. */
export const measureText = {
  'measure.duct.straight': 'Straight length: {metres, number} m ({feet, number} ft)',
  'measure.duct.elbow':
    '{count, number} × {degrees}° {radius, select, mitred4 {mitred, 4-inch radius} smooth6 {smooth, 6-inch radius} smooth8 {smooth, 8-inch radius} other {smooth, 10-inch radius}}: {metres, number} m ({feet, number} ft)',
  'measure.duct.total': 'Counts as {metres, number} m ({feet, number} ft)',
  'limit.duct.code':
    '{met, select, true {Within} other {{over, number} m over}} the {metres, number} m ({feet, number} ft) of IRC M1502.4.6 (from memory; the local code decides)',
  'limit.duct.maker': '{met, select, true {Within} other {{over, number} m over}} the maker’s {metres, number} m',
  'measure.face.area': 'Face: {width, number} × {height, number} in = {sqIn, number} in² ({sqFt, number, ::.###} ft²)',
  'measure.face.flow':
    'Airflow: {cfm, number} CFM, about {tons, number} tons of cooling at 400 CFM a ton (from memory)',
  'measure.face.velocity': 'Crosses it at {fpm, number} ft/min ({ms, number, ::.##} m/s)',
  'limit.face.thin':
    '{met, select, true {Under} other {Over}} the usual {fpm, number} ft/min for one-inch pleats (from memory){met, select, true {} other {: a face of {wanted, number} in², a deeper cabinet, or a more open filter}}',
  'limit.face.deep':
    '{met, select, true {Under} other {Over}} the usual {fpm, number} ft/min for deep media (from memory){met, select, true {} other {: a face of {wanted, number} in² is wanted}}',
  'measure.dilution.agent': 'Agent: {amount}',
  'measure.dilution.water': 'Water: {amount}, {parts, number} to one',
  'measure.dilution.total': 'Together: {amount}, {percent, number} % of the agent as bought',
  'measure.dose.each': '{amount} for each of {count, number}',
  'measure.dose.total': 'In all: {amount}',
  'measure.drop.return': 'Air going in: {celsius, number} °C',
  'measure.drop.supply': 'Air at the register: {celsius, number} °C',
  'measure.drop.kelvin': 'Drop: {kelvin, number} K ({fahrenheit, number} °F)',
  'limit.drop.usual':
    '{met, select, true {Within the usual} other {Less than the usual}} {low} to {high} K, 15 to 20 °F (from memory){met, select, true {} other {: look at filter and outdoor coil; what is left is for a licensed trade}}',
  'limit.drop.high':
    'More than the usual {low} to {high} K, 15 to 20 °F (from memory): too little air. Look at the filter and the registers.',
  'measure.pump.out': '{litres, number} L ({gallons, number} gal) in {seconds, number} s',
  'measure.pump.rate': '{rate, number} L/min',
  'measure.pump.share': '{percent, number} % of what was poured in',
  'limit.pump.rate': '{met, select, true {At least} other {Under}} {rate} L/min, our assumption of a sound pump',
  'limit.pump.share':
    '{met, select, true {At least} other {Under}} {percent} % came out, our assumption{met, select, true {} other {: hose or drain is blocked}}',
  'measure.drying.minutes': '{minutes, number} min for a normal load',
  'limit.drying':
    '{met, select, true {Within} other {Over}} {minutes} min (common practice){met, select, true {} other {: look at screen, hose and flap before the heater}}',
  'measure.hardness.given':
    'Given: {value, number} {unit, select, mgL {mg/L} gpg {grains a gallon} dH {German degrees} fH {French degrees} other {mmol/L}}',
  'measure.hardness.mgL': '{mgL, number} mg/L as calcium carbonate ({gpg, number} grains a gallon)',
  'measure.hardness.soft': 'Soft: 0 to 60 mg/L (USGS, from memory)',
  'measure.hardness.moderate': 'Moderately hard: 61 to 120 mg/L (USGS, from memory)',
  'measure.hardness.hard': 'Hard: 121 to 180 mg/L (USGS, from memory)',
  'measure.hardness.veryHard': 'Very hard: over 180 mg/L (USGS, from memory)',
  'measure.detergent.now':
    'A modern machine, 5 to 8 gallons a cycle: the cup {percent, number} % full (common practice)',
  'measure.detergent.old': 'Over thirteen years old, about 16 gallons: the cup full (common practice)',
  'measure.detergent.water':
    '{class, select, soft {Soft water} moderate {Moderately hard water} hard {Hard water} other {Very hard water}}: × {factor, number} (our assumption)',
  'measure.detergent.half': 'Half a load: × {factor, number} (our assumption)',
  'measure.detergent.share': 'Fill the cup to {percent, number} %, and none for the pre-wash. Tabs go in whole.',
  'measure.water.cycle': '{litres, number} L ({gallons, number} gal) a cycle (common practice)',
  'measure.water.year': '{litres, number} L in {cycles, number} cycles a year',
  'measure.fit.nominal': 'Printed: {size}',
  'measure.fit.actual': 'The frame itself: about {size} (from memory)',
  'tuning.measure': 'Measure both, after half an hour with the doors shut.',
  'tuning.wait': 'Wait until {at}: two days between steps.',
  'tuning.done': 'Both are right. Leave the dial alone.',
  'tuning.turn':
    'Turn the {compartment, select, freezer {freezer} other {fridge}} one degree {direction, select, colder {colder} other {warmer}}, then wait 48 hours and measure again.',
  'tuning.fault':
    'Turning does not help the {compartment, select, freezer {freezer} other {fridge}}: look at coil and door seal, and report it.',
  'food.first':
    'Food first, now: is it plugged in and switched on, does the door shut, is the coil behind or below it free? Do not wait two days. Move what spoils to another fridge or a cool box, and go by the food authority’s guidance on what to throw away; if in doubt, throw it out.',
  'measure.cold.foodFirst':
    'The {compartment, select, freezer {freezer} other {fridge}} is too warm for food, over {compartment, select, freezer {−12 °C (10 °F)} other {7 °C (45 °F)}} (from memory): no matter of a degree. Power, door, coil and food now, by the food authority’s guidance.',
  'measure.cold.fridge': 'Fridge: {celsius, number} °C',
  'measure.cold.freezer': 'Freezer: {celsius, number} °C',
  'measure.cold.done': 'Both are right. Leave the dial alone.',
  'measure.cold.turn':
    'Turn the {compartment, select, freezer {freezer} other {fridge}} one degree {direction, select, colder {colder} other {warmer}}, wait 48 hours, measure again (common practice).',
  'limit.cold':
    'Fridge at or below 4 °C (40 °F), freezer at or below −18 °C (0 °F): US FDA consumer guidance (from memory)',
} as const;
