import { may } from './index.js';

describe('roles', () => {
  it('let a bather record and read, not book, plan or manage', () => {
    expect(may('bather', 'record')).toBeTrue();
    for (const action of ['book', 'plan', 'edit_dog', 'manage_staff'] as const) expect(may('bather', action)).toBeFalse();
  });
  it('leave the word that ends a bite to the lead', () =>
    expect([may('lead', 'end_bite'), may('groomer', 'end_bite'), may('bather', 'end_bite')]).toEqual([true, false, false]));
  it('leave staff to the lead', () => expect([may('lead', 'manage_staff'), may('groomer', 'manage_staff')]).toEqual([true, false]));
});
