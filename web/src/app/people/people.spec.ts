import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { NO_LIMITS } from '@mansuet/core/contract';
import { FakeApi, refusal } from '../testing/fake-api';
import { deviceOf } from './device-of';
import { JoinPage } from './join.page';
import { MePage } from './me.page';

const ID = '01900000-0000-7000-8000-000000000001';

async function type(fixture: ComponentFixture<unknown>, name: string, value: string): Promise<void> {
  const field = (fixture.nativeElement as HTMLElement).querySelector<HTMLInputElement>(`input[name="${name}"]`);
  if (!field) throw new Error(`no field ${name}`);
  field.value = value;
  field.dispatchEvent(new Event('input'));
  await fixture.whenStable();
}
async function press(fixture: ComponentFixture<unknown>, says: string): Promise<void> {
  const host = fixture.nativeElement as HTMLElement;
  const found = [...host.querySelectorAll('button')].find((b) => b.textContent?.trim() === says);
  if (!found) throw new Error(`no button ${says}`);
  found.click();
  await fixture.whenStable();
}

describe('MePage', () => {
  it('shows what was written of me, changes my password and ends a sign-in elsewhere', async () => {
    const api = new FakeApi();
    const me = {
      staffId: ID,
      name: 'Odette',
      login: 'odette',
      role: 'groomer',
      trained: true,
      week: [{ from: '09:00', to: '14:00' }, null, null, null, null, null, null],
      breaks: [],
      off: [],
      limits: { ...NO_LIMITS, liftKg: 10, noBiters: true },
      version: 1,
      hasJoined: true,
      leftAt: null,
      visitsAhead: 0,
    };
    api.answer('GET /me', { people: [me] });
    const agent = 'Mozilla/5.0 (iPad; CPU OS 18_0 like Mac OS X) AppleWebKit/605 (KHTML, like Gecko) Version/18.0 Safari/604.1';
    let sessions = [
      { key: 'a', agent: '', since: null, used: null, here: true },
      { key: 'b', agent, since: null, used: '2026-12-01T08:00:00Z', here: false },
    ];
    api.answerBy('GET /sessions', () => ({ ok: true, value: { sessions } }));
    api.answerBy('POST /sessions/end', () => {
      sessions = sessions.filter((s) => s.here);
      return { ok: true, value: undefined };
    });
    const errors = [{ path: 'old', message: 'This is not your password now.' }];
    api.answerBy('PUT /me/password', (body) =>
      (body as { old: string }).old === 'right one'
        ? { ok: true, value: undefined }
        : refusal({ code: 'bad_input', title: 'Look.', errors }),
    );
    TestBed.configureTestingModule({ providers: [api.provider()] });
    const fixture = TestBed.createComponent(MePage);
    await fixture.whenStable();
    const host = fixture.nativeElement as HTMLElement;
    for (const line of ['Monday: 09:00 to 14:00', 'Lifts at most 10 kg', 'Takes no dog that bites'])
      expect(host.textContent).toContain(line);

    // What I say of my own hands.
    api.answer('PUT /me/hands', undefined);
    await type(fixture, 'own-clip', '90');
    await type(fixture, 'own-lifted', '5');
    await press(fixture, 'Keep it so');
    expect(api.bodies('PUT', '/me/hands')).toEqual([]);
    await type(fixture, 'own-lifted', '');
    await press(fixture, 'Keep it so');
    expect(api.bodies('PUT', '/me/hands')).toEqual([{ hands: { clip: 90, brush: null, bent: null, lifted: null } }]);

    await type(fixture, 'old', 'wrong one');
    await type(fixture, 'new', 'short');
    await press(fixture, 'Change it');
    expect(api.sent.filter((s) => s.path === '/me/password').length)
      .withContext('too short')
      .toBe(0);
    await type(fixture, 'new', 'a long enough one');
    await press(fixture, 'Change it');
    expect(host.textContent).toContain('This is not your password now.');
    await type(fixture, 'old', 'right one');
    await press(fixture, 'Change it');
    expect(host.textContent).toContain('Changed.');
    expect(host.querySelector<HTMLInputElement>('input[name="new"]')?.value).toBe('');

    expect(host.textContent).toContain('Safari on iPad');
    await press(fixture, 'End it there');
    expect(api.sent.find((s) => s.path === '/sessions/end')?.body).toEqual({ key: 'b' });
    expect(host.textContent).not.toContain('Safari on iPad');
  });
});

describe('JoinPage', () => {
  async function open(api: FakeApi): Promise<ComponentFixture<JoinPage>> {
    TestBed.configureTestingModule({ providers: [api.provider(), provideRouter([])] });
    const fixture = TestBed.createComponent(JoinPage);
    fixture.componentRef.setInput('secret', 'abc');
    await fixture.whenStable();
    return fixture;
  }
  it('takes a password that is long enough, and leads to the sign-in', async () => {
    const api = new FakeApi();
    api.answer('GET /join/abc', { salonName: 'Tidewrack', name: 'Odette', login: 'odette' });
    api.answer('POST /join/abc', undefined);
    const fixture = await open(api);
    const host = fixture.nativeElement as HTMLElement;
    expect(host.querySelector('h1')?.textContent).toContain('Welcome, Odette');
    await type(fixture, 'password', 'short');
    await press(fixture, 'Take this password');
    expect(api.sent.some((s) => s.method === 'POST')).toBeFalse();
    await type(fixture, 'password', 'a long enough one');
    await press(fixture, 'Take this password');
    expect(api.sent.at(-1)?.body).toEqual({ password: 'a long enough one' });
    expect(host.querySelector('a.next')?.getAttribute('href')).toBe('/sign-in');
  });
  it('says what to do with a link that does not open', async () => {
    const api = new FakeApi();
    api.answerBy('GET /join/abc', () => refusal({ code: 'gone', title: 'This is over.', status: 410 }));
    const fixture = await open(api);
    expect((fixture.nativeElement as HTMLElement).textContent).toContain('Ask the lead of your salon for a new one');
  });
});

describe('deviceOf', () => {
  it('names browser and machine, and neither where it is not said', () => {
    expect(
      deviceOf('Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 (KHTML, like Gecko) Chrome/126.0 Safari/537.36 Edg/126.0'),
    ).toBe('Edge on Windows');
    expect(deviceOf('Mozilla/5.0 (X11; Linux x86_64; rv:128.0) Gecko/20100101 Firefox/128.0')).toBe('Firefox on Linux');
    expect(deviceOf('curl/8')).toBe('a browser');
  });
});
