import { isSamePut, type PutDogs, putOf, putSince } from './put-dogs';

const at = (of: Readonly<Record<string, number>>): PutDogs => new Map(Object.entries(of).map(([dog, from]) => [dog, { from }]));

describe('what is put by hand', () => {
  it('is read back from the plan that was taken', () => {
    expect([
      ...putOf({
        put: [
          { visitId: 'fig', from: 600 },
          { visitId: 'moss', person: 'imke' },
        ],
      }),
    ]).toEqual([
      ['fig', { from: 600 }],
      ['moss', { person: 'imke' }],
    ]);
    expect(putOf(null).size).toBe(0);
  });

  it('keeps what was changed here when somebody else takes a plan', () => {
    const was = at({ fig: 600, moss: 660, pickle: 700 });
    // Here Moss was moved and Pickle let go; there Fig was let go and Reed put somewhere.
    const now = at({ fig: 600, moss: 690 });
    const next = at({ moss: 660, pickle: 700, reed: 720 });
    expect(isSamePut(putSince(was, now, next), at({ moss: 690, reed: 720 }))).toBeTrue();
    expect(isSamePut(putSince(was, was, next), next)).toBeTrue();
    expect(isSamePut(at({ fig: 600 }), at({ fig: 605 }))).toBeFalse();
    expect(isSamePut(at({ fig: 600 }), at({ moss: 600 }))).toBeFalse();
  });
});
