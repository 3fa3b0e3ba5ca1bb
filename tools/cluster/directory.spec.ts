import fc from 'fast-check';
import { directoryText, placedIn, readDirectory } from './directory.js';

describe('the directory of salons', () => {
  it('reads a name and a cell a line, and leaves remarks and empty lines', () =>
    expect([...readDirectory('# salons\nmoss.salons.example cell-1\n\n  fern.salons.example   cell-2\n')]).toEqual([
      ['moss.salons.example', 'cell-1'],
      ['fern.salons.example', 'cell-2'],
    ]));
  it('names the line that it cannot read, and a salon that is in two cells', () => {
    expect(() => readDirectory('a cell-1\nb')).toThrowError(/Line 2/);
    expect(() => readDirectory('A cell-1')).toThrowError(/Line 1/);
    expect(() => readDirectory('a b c')).toThrowError(/Line 1/);
    expect(() => readDirectory('a cell-1\na cell-2')).toThrowError(/twice.*line 2/);
  });
  it('moves one salon and no other', () => {
    const before = readDirectory('a cell-1\nb cell-1\n');
    expect(directoryText(placedIn(before, 'b', 'cell-2'))).toBe('a cell-1\nb cell-2\n');
    expect(directoryText(before)).toBe('a cell-1\nb cell-1\n');
    expect(() => placedIn(before, 'b c', 'cell-2')).toThrowError(/not a name/);
  });
  it('comes back from its text as it was', () => {
    const name = fc.stringMatching(/^[a-z0-9]([a-z0-9.-]{0,8}[a-z0-9])?$/);
    fc.assert(
      fc.property(fc.dictionary(name, name), (places) => {
        const directory = new Map(Object.entries(places));
        expect(new Map(readDirectory(directoryText(directory)))).toEqual(directory);
      }),
    );
  });
});
