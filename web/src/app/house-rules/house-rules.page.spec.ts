import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { HOUSE_DEFAULTS, houseRules } from '@mansuet/core/knowledge/house-rules';
import { HOUSE_QUESTION_IDS, type Role } from '@mansuet/core/words';
import type { Answer } from '../server/api.service';
import { SessionService } from '../server/session.service';
import { FakeApi, type Sent } from '../testing/fake-api';
import { HouseRulesPage } from './house-rules.page';

const ID = '01900000-0000-7000-8000-000000000001';

function session(role: Role) {
  return {
    signedIn: {
      staff: { staffId: ID, name: 'Imke', role, trained: true },
      salon: { salonId: ID, name: 'Tidewrack', vetName: '', vetPhone: '', currency: 'EUR', ratePerMinuteMinor: 90, house: HOUSE_DEFAULTS },
      csrf: 'x',
    },
    firstRun: false,
    demoLogins: [],
  };
}

async function open(
  role: Role,
  put: () => Answer<unknown>,
): Promise<{ fixture: ComponentFixture<HouseRulesPage>; sent: readonly Sent[]; host: HTMLElement }> {
  localStorage.clear();
  const api = new FakeApi();
  api.answer('GET /session', session(role));
  api.answerBy('PUT /house-rules', put);
  TestBed.configureTestingModule({ providers: [api.provider()] });
  await TestBed.inject(SessionService).ready();
  const fixture = TestBed.createComponent(HouseRulesPage);
  await fixture.whenStable();
  return { fixture, sent: api.sent, host: fixture.nativeElement as HTMLElement };
}
const radio = (host: HTMLElement, label: string): HTMLInputElement => {
  const found = [...host.querySelectorAll('label')].find((l) => l.textContent?.includes(label))?.querySelector('input');
  if (!found) throw new Error(`no answer ${label}`);
  return found;
};

describe('HouseRulesPage', () => {
  it('shows each question with its schools, why, and the floors below', async () => {
    const { host } = await open('lead', () => ({ ok: true, value: HOUSE_DEFAULTS }));
    expect(host.querySelectorAll('fieldset').length).toBe(HOUSE_QUESTION_IDS.length);
    expect(radio(host, 'Attended, quick release').checked).toBeTrue();
    expect(host.textContent).toContain('What no house rule lowers');
    expect(host.textContent).toContain('this salon keeps them all');
  });

  it('stores an answer at once with what was seen before, says so, and takes it back', async () => {
    const { fixture, sent, host } = await open('lead', () => ({ ok: true, value: houseRules({ loop: 'never' }) }));
    radio(host, 'Never, hands alone').click();
    await fixture.whenStable();
    expect(sent.at(-1)).toEqual({ method: 'PUT', path: '/house-rules', body: { question: 'loop', choice: 'never', was: 'attended' } });
    expect(host.textContent).toContain('Loop: Never, hands alone.');
    expect(host.textContent).toContain('1 are this salon’s own');
    [...host.querySelectorAll('button')].find((b) => b.textContent?.includes('Undo'))?.click();
    await fixture.whenStable();
    expect(sent.at(-1)?.body).toEqual({ question: 'loop', choice: 'attended', was: 'never' });
  });

  it('says beside the question why an answer was not stored', async () => {
    const { fixture, host } = await open('lead', () => ({ ok: false, failure: { kind: 'offline' } }));
    radio(host, 'Never, hands alone').click();
    await fixture.whenStable();
    expect(host.querySelector('[role="alert"]')?.textContent).toContain('The server does not answer');
  });

  it('is to be read, not changed, by everybody else', async () => {
    const { host } = await open('groomer', () => ({ ok: true, value: HOUSE_DEFAULTS }));
    expect([...host.querySelectorAll('fieldset')].every((f) => f.disabled)).toBeTrue();
    expect(host.textContent).toContain('Only a lead changes them');
  });
});
