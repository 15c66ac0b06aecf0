/** English text of the refrigerator's procedures. */
export const refrigeratorText = {
  'point.refrigerator.doorSeals': 'Door seals',
  'task.refrigerator.doorSeals': 'Wash the fridge door seals',
  'why.refrigerator.doorSeals': 'A sticky or torn seal lets warm air in: wet shelves, frost, a motor that never rests.',
  'refrigerator.doorSeals.inspect.title': 'Look along the seals',
  'refrigerator.doorSeals.inspect.body':
    'Open each door and run a finger along the rubber, the side walls too. Photograph the worst place.',
  'refrigerator.doorSeals.inspect.caution': 'A torn side wall is a fault: tell us, washing will not mend it.',
  'refrigerator.doorSeals.grade.title': 'How do they look?',
  'refrigerator.doorSeals.grade.body': 'Pick the picture nearest to the worst stretch.',
  'refrigerator.doorSeals.wash.title': 'Wash seals and liner',
  'refrigerator.doorSeals.wash.body':
    'Warm water and dish soap, in every groove, and the frame it closes against. Sticky spills tear seals. Dry it.',
  'refrigerator.doorSeals.jelly.title': 'A thin film of petroleum jelly',
  'refrigerator.doorSeals.jelly.body':
    'On the face and the side wall, with a fingertip. Wipe off what shines. Photograph the clean seal.',
  'refrigerator.doorSeals.strip.title': 'The paper test',
  'refrigerator.doorSeals.strip.body':
    'Close the door on a strip of paper and pull: it should drag, all the way round. If you have a thermometer, enter the fridge’s temperature; at or below 4 °C (40 °F) is right.',
  'confirm.refrigerator.doorSeals.strip': 'The paper drags all round',
  'photo.refrigerator.doorSeals.out': 'Worst place, before',
  'photo.refrigerator.doorSeals.in': 'Clean seal',
  'point.refrigerator.waterFilter': 'Water filter',
  'task.refrigerator.waterFilter': 'Change the fridge’s water filter',
  'why.refrigerator.waterFilter':
    'A spent filter slows the water, taints the ice and can grow mould. It cannot be cleaned.',
  'refrigerator.waterFilter.out.title': 'Twist the old one out',
  'refrigerator.waterFilter.out.body': 'A quarter turn left, towel underneath. Photograph it with its date.',
  'refrigerator.waterFilter.out.button': 'It is out',
  'refrigerator.waterFilter.grade.title': 'How spent was it?',
  'refrigerator.waterFilter.grade.body': 'By its colour at the mouth, and by how slowly the glass filled.',
  'refrigerator.waterFilter.in.title': 'Seat the new one',
  'refrigerator.waterFilter.in.body':
    'Cap off, push in, twist right until it stops. Write today’s date on it. Photograph it.',
  'refrigerator.waterFilter.flush.title': 'Flush it',
  'refrigerator.waterFilter.flush.body':
    'Draw 11 litres (3 gallons) through the spout and throw it away: the first of it is cloudy with carbon dust. No drip under the fridge.',
  'confirm.refrigerator.waterFilter.seated': 'It is twisted home, dated',
  'confirm.refrigerator.waterFilter.noDrip': 'Nothing drips',
  'photo.refrigerator.waterFilter.out': 'Old filter, out',
  'photo.refrigerator.waterFilter.in': 'New filter in, date visible',
  'reading.flushLitres': 'Water flushed',
  'reading.flushLitres.fails': 'Flush on until 11 litres (3 gallons) have gone through.',
} as const;
