import type { EventDraft } from '@mansuet/core/log';
import { FELT, openVisit, type OpenVisit } from '../testing/open-visit';
import { FakeApi } from '../testing/fake-api';
import { ApiService } from '../server/api.service';
import { TestBed } from '@angular/core/testing';
import { HandBackPage } from './hand-back.page';

const INCIDENT = '01900000-0000-7000-8000-0000000000bb';
const STORY: readonly EventDraft[] = [
  ...FELT,
  { type: 'part_looked', body: { part: 'ears', finding: 'waxy' } },
  { type: 'work_started', body: {} },
  { type: 'step_started', body: { step: 'nails' } },
  { type: 'incident', body: { incidentId: INCIDENT, kind: 'quicked_nail', harm: 'mild', zone: 'fore_paw_left', what: 'Dark nail.' } },
  { type: 'step_finished', body: { step: 'nails', outcome: 'done', why: '' } },
  { type: 'visit_ended', body: { outcome: 'finished', why: '' } },
];
const KEPT = { account: null, messages: [] };

describe('HandBackPage', () => {
  let visit: OpenVisit<HandBackPage>;
  const api = (): FakeApi => TestBed.inject(ApiService) as unknown as FakeApi;
  const open = async (...more: readonly EventDraft[]): Promise<void> => {
    visit = await openVisit(HandBackPage, [...STORY, ...more]);
  };
  const text = (): string => visit.host.textContent?.replace(/\s+/g, ' ') ?? '';
  const type = (name: string, value: string): void => {
    const field = [...document.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>(`[name="${name}"]`)].at(-1);
    if (!field) throw new Error(`no field ${name}`);
    field.value = value;
    field.dispatchEvent(new Event('input'));
  };
  afterEach(() => visit.close());

  it('tells what happened, what was found and what to watch, in sentences an owner reads', async () => {
    await open();
    expect(text()).toContain('Done: nails.');
    expect(text()).toMatch(/Quicked nail at \d\d:\d\d, left fore paw, pads and web: mild: heals by itself\. What happened: Dark nail\./);
    expect(text()).toContain('Ears: waxy.');
    expect(text()).toContain('look at it every day');
    expect(visit.host.querySelector('[aria-label="What was left, and why"], [aria-label="What was done"]')?.textContent).not.toContain(
      'strain',
    );
  });

  it('lets a sentence be said otherwise, left out, and added; what the log says stays beside it', async () => {
    await open();
    await visit.click('Say it otherwise: Done: nails.'.replace(/.*/, 'Otherwise'));
    type('ownWords', 'All four paws are short again.');
    await visit.click('Keep it');
    await visit.until(() => text().includes('All four paws are short again.') || visit.store.state().accountLines.size > 0);
    const [key] = [...visit.store.state().accountLines.keys()];
    expect(key).toBeDefined();
    expect(text()).toContain('The log says:');
    await visit.click('Leave out');
    await visit.until(() => [...visit.store.state().accountLines.values()].includes(null));
    expect(text()).toContain('left out');
    await visit.click('Take in');
    await visit.click('Add a sentence');
    type('ownWords', 'Ring us on Friday.');
    await visit.click('Keep it');
    await visit.until(() => text().includes('Ring us on Friday.'));
  });

  it('is not handed back before the list is worked off; what is left out needs a reason', async () => {
    await open();
    const next = (): HTMLButtonElement => visit.button('Told, and handed back');
    expect(next().disabled).toBeTrue();
    await visit.click('Leave out');
    const skip = [...visit.host.querySelectorAll<HTMLButtonElement>('man-closing-panel button')].find(
      (b) => b.textContent?.trim() === 'Leave out',
    );
    skip?.click();
    await visit.shown();
    await visit.click('Keep the reason');
    expect(text()).toContain('Write why; the owner reads it.');
    type('closingWhy', 'It slept on the table');
    await visit.click('Keep the reason');
    await visit.until(() => visit.store.state().closing.skipped.size === 1);
    expect(text()).toContain('Why: It slept on the table.');
    expect(next().disabled).toBeTrue();
    const rest = [...visit.host.querySelectorAll<HTMLButtonElement>('man-closing-panel button')].find((b) =>
      b.textContent?.includes('All of it is done'),
    );
    if (rest) await visit.click('All of it is done');
    else for (const b of visit.host.querySelectorAll<HTMLButtonElement>('man-closing-panel button.wide')) b.click();
    await visit.until(() => !next().disabled);
  });

  it('hands back once, sends it, and opens it again only with a reason', async () => {
    await open({ type: 'closing_done', body: { line: 'tool_away' } });
    await visit.click('All of it is done');
    await visit.until(() => !visit.button('Told, and handed back').disabled);
    await visit.click('Told, and handed back');
    await visit.until(() => visit.store.state().handedBack !== undefined);
    expect(visit.store.state().handedBack?.toldTo).toBe('Perpetua Glain');
    expect(text()).toContain('Handed back at');
    const made = { linkId: INCIDENT, url: 'http://here/o/x', expiresAt: '2030-01-01T00:00:00.000Z', message: 'Tidewrack: how it went' };
    // The server refuses what it does not know to be handed back: that has to be there first.
    let isKnown = false;
    api().answerBy('POST /visits/01900000-0000-7000-8000-000000000001/account/sent', () => {
      isKnown = api().sent.some((s) => s.path.endsWith('/events') && JSON.stringify(s.body).includes('"handed_back"'));
      return { ok: true, value: made };
    });
    visit.host.querySelector('man-send-panel form')?.dispatchEvent(new Event('submit', { cancelable: true }));
    await visit.until(() => text().includes('Tidewrack: how it went'));
    expect(isKnown).toBeTrue();
    expect(api().bodies('POST', '/visits/01900000-0000-7000-8000-000000000001/account/sent')).toEqual([
      { way: 'text', toName: 'Perpetua Glain', to: '0550 1' },
    ]);
    await visit.click('Open it again');
    await visit.click('Open it');
    expect(text()).toContain('Write why it is opened again.');
    type('reopenWhy', 'The wrong day');
    await visit.click('Open it');
    await visit.until(() => visit.store.state().handedBack === undefined);
    expect(visit.store.state().reopened[0]?.why).toBe('The wrong day');
  });

  it('books the proposed day by one tap, for the usual service, and says so', async () => {
    await open();
    await visit.until(() => visit.host.querySelector('man-next-visit-panel [role="radio"]') !== null);
    expect(visit.host.querySelector('man-next-visit-panel [role="radio"]')?.textContent).toContain('Nails grow back in 4 weeks.');
    await visit.click(/^Book /);
    await visit.until(() => visit.store.state().nextVisit !== undefined);
    expect(visit.store.state().nextVisit?.sessionMinutes).toBeGreaterThan(0);
    expect(text()).toContain('is booked');
    expect(text()).toContain('The next visit is booked');
  });

  it('asks for what nobody has said of an incident before the owner reads it', async () => {
    visit = await openVisit(HandBackPage, [
      { type: 'work_started', body: {} },
      { type: 'incident', body: { incidentId: INCIDENT, kind: 'nick', harm: null, zone: null, what: '' } },
      { type: 'visit_ended', body: { outcome: 'finished', why: '' } },
    ]);
    expect(text()).toContain('Nick: nobody has said how bad it is.');
  });
  it('says when the account was made anew since', async () => {
    await open();
    api().answer('GET /visits/01900000-0000-7000-8000-000000000001/after', {
      ...KEPT,
      account: {
        told: { lines: [], picture: [], minutes: 0, places: [] },
        version: 2,
        madeAt: new Date().toISOString(),
        changedBy: 'late_entry',
      },
    });
    await visit.store.record({ type: 'noted', body: { text: 'x' } });
    await visit.until(() => text().includes('made anew'));
  });
});
