import type { Session } from '@mansuet/core/contract';
import { TestBed } from '@angular/core/testing';
import { FakeApi } from '../testing/fake-api';
import { TIDEWRACK } from '../testing/open-visit';
import { SessionService } from './session.service';

const ID = '01900000-0000-7000-8000-000000000001';
const SIGNED_IN: Session = {
  signedIn: {
    staff: { staffId: ID, name: 'Tomasz Vane', role: 'bather', trained: false, left: false },
    salon: { ...TIDEWRACK, timeZone: 'Pacific/Auckland' },
    csrf: 'token',
  },
  firstRun: false,
  demoLogins: [],
};

describe('SessionService', () => {
  let api: FakeApi;
  const make = (): SessionService => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [api.provider()] });
    return TestBed.inject(SessionService);
  };
  beforeEach(() => {
    localStorage.removeItem('mansuet.session');
    api = new FakeApi();
    api.answer('GET /session', SIGNED_IN);
  });
  afterEach(() => localStorage.removeItem('mansuet.session'));

  it('asks once, and hands the token to the calls', async () => {
    const session = make();
    await Promise.all([session.ready(), session.ready()]);
    await session.ready();
    expect(api.sent.length).toBe(1);
    expect(api.csrf).toBe('token');
  });

  it('knows what a role may do', async () => {
    const session = make();
    expect(session.may('record')).toBeFalse();
    await session.ready();
    expect([session.may('record'), session.may('book')]).toEqual([true, false]);
  });

  it('goes on with the last session when the server does not answer', async () => {
    await make().ready();
    api.online = false;
    const later = make();
    expect((await later.ready()).signedIn?.staff.name).toBe('Tomasz Vane');
    expect(later.signedIn()?.staff.role).toBe('bather');
  });

  it('asks for a sign-in when nothing is known', async () => {
    api.online = false;
    expect((await make().ready()).signedIn).toBeNull();
  });

  it('does not trust what it cannot read on the device', async () => {
    localStorage.setItem('mansuet.session', '{"signedIn": {"staff": 1}}');
    api.online = false;
    expect((await make().ready()).signedIn).toBeNull();
    localStorage.setItem('mansuet.session', 'not JSON');
    expect((await make().ready()).signedIn).toBeNull();
  });

  it('forgets everything at sign-out', async () => {
    const session = make();
    await session.ready();
    await session.signOut();
    expect(session.signedIn()).toBeUndefined();
    expect(localStorage.getItem('mansuet.session')).toBeNull();
  });
});
