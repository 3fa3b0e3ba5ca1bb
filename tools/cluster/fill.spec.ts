import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../place.js';
import { fill } from './fill.js';

describe('fill', () => {
  it('puts each value where its name stands, as often as it does', () =>
    expect(fill('a ${ONE} b ${TWO_X} ${ONE}', { ONE: 1, TWO_X: 'two' })).toBe('a 1 b two 1'));
  it('takes a value as it is, whatever is in it', () => expect(fill('${A}', { A: '$& ${B}' })).toBe('$& ${B}'));
  it('names what is missing', () => expect(() => fill('${A}', {})).toThrowError(/A/));
  it('names what nobody asks for', () => expect(() => fill('', { SPARE: 1 })).toThrowError(/SPARE/));
  it('finds every file of deploy/ named in its README', () => {
    const folder = join(ROOT, 'deploy');
    const readme = readFileSync(join(folder, 'README.md'), 'utf8');
    for (const file of readdirSync(folder).filter((name) => name !== 'README.md'))
      expect(readme).withContext(file).toContain(`\`${file}\``);
  });
});
