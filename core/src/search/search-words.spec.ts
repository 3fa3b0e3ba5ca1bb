import { lettersWrong, phoneDigits, readSearch, searchWords } from './index.js';

describe('search words', () => {
  it('drop accents, case and signs, and keep words of every script', () => {
    expect(searchWords('Noémi O’Brán-Hale')).toEqual(['noemi', 'obran', 'hale']);
    expect(searchWords('  Straße, Łukasz & Søren ')).toEqual(['strasse', 'lukasz', 'soren']);
    expect(searchWords('Бим')).toEqual(['бим']);
    expect(searchWords('?!')).toEqual([]);
  });
  it('keep only the digits of a phone', () => expect(phoneDigits('+43 (0)550 12-34')).toBe('4305501234'));
  it('forgive more letters in longer words', () => {
    expect(['fi', 'fig', 'moss', 'nettle'].map(lettersWrong)).toEqual([0, 1, 1, 2]);
  });
  it('tell words from numbers', () => {
    expect(readSearch('moss 0550')).toEqual({ words: ['moss'], digits: '0550' });
    expect(readSearch('100 103')).toEqual({ words: [], digits: '100103' });
    expect(readSearch('fig 12')).toEqual({ words: ['fig'], digits: '' });
    expect(readSearch('a b c d e f').words.length).toBe(4);
  });
});
