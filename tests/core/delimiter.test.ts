import { expect } from 'chai';
import fc from 'fast-check';
import Papa from 'papaparse';
import { delimiterOf } from '../../core/register/delimiter.ts';

describe('What stands between the cells of a table', () => {
  it('is told by the head line, whatever the cells hold', () => {
    expect(delimiterOf('"property","unit"\r\n"Flat; 1",";;;;;;"\r\n";;","|"')).to.equal(',');
    expect(delimiterOf('property;unit\n"a,b,c,d";e')).to.equal(';');
    expect(delimiterOf('property\tunit\na;b\tc')).to.equal('\t');
    expect(delimiterOf('\r\n"a, b, c, d";unit;tenant\r\n')).to.equal(';');
    expect(delimiterOf('property')).to.equal(',');
    expect(delimiterOf('')).to.equal(',');
  });

  it('brings back every table that was written with it', () => {
    const cell = fc.oneof(fc.string({ maxLength: 8 }), fc.constantFrom(';', ',,', '\t|', '"', 'a\nb', ';+ '));
    const rows = fc.array(fc.tuple(cell, cell, cell), { minLength: 1, maxLength: 6 });
    fc.assert(
      fc.property(fc.constantFrom(',', ';', '\t', '|'), rows, (delimiter, data) => {
        const text = Papa.unparse({ fields: ['property', 'unit', 'tenant'], data }, { delimiter });
        const back = Papa.parse<string[]>(text, { delimiter: delimiterOf(text) }).data.slice(1);
        expect(back).to.deep.equal(data.map((row) => [...row]));
      }),
      { numRuns: 300 },
    );
  });
});
