import fc from 'fast-check';
import { notPlainText } from './index.js';

describe('notPlainText', () => {
  it('takes what people type: letters of every language, signs, line ends, emoji of several parts', () => {
    for (const text of ['Moß, “growls”\r\n\tat 3’', 'שלום', 'مرحبا', '犬', '👩‍👩‍👧', '🐕‍🦺', 'é', ''])
      expect(notPlainText({ text })).withContext(text).toEqual([]);
  });
  it('names where NUL, control characters, turned directions, half pairs and noncharacters stand', () => {
    for (const bad of ['\u0000', '\u0007', '\u001b[31m', '\u007f', '\u0085', '\u202e', '\u2066', '\ud83d', '\udc00\ud83d', '\uffff'])
      expect(notPlainText({ events: [{ body: { text: 'fine' } }, { body: { text: `a${bad}b` } }] }))
        .withContext(escape(bad))
        .toEqual(['events.1.body.text']);
  });
  it('looks at names of fields, and gives up on what is nested without end', () => {
    expect(notPlainText({ body: { 'a\u0000': 1 } })).toEqual(['body']);
    let deep: unknown = 'x';
    for (let n = 0; n < 100; n++) deep = [deep];
    expect(notPlainText(deep).length).toBe(1);
  });
  it('agrees with the platform on pairs', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), fc.constantFrom('', '\ud800', '\udfff'), (text, half) => {
        const all = text + half;
        if (notPlainText(all).length === 0) expect(() => encodeURIComponent(all)).not.toThrow();
        // Half of a pair is the only thing that cannot be encoded.
        if (half !== '') expect(notPlainText(all)).toEqual(['']);
      }),
    );
  });
});
