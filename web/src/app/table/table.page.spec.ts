import { TestBed } from '@angular/core/testing';
import { ENGLISH } from '@mansuet/core/locales/en';
import type { EventDraft } from '@mansuet/core/log';
import { makePlan } from '@mansuet/core/plan';
import { planRecordOf } from '@mansuet/core/visit';
import type { ZoneId } from '@mansuet/core/words';
import { ChoiceGroupHarness } from '../controls/testing/choice.harness';
import { TextFieldHarness } from '../controls/testing/field.harness';
import { SlipHarness } from '../controls/testing/slip.harness';
import { Keymap } from '../controls/keymap';
import { IN_ENGLISH } from '../testing/in-english';
import { FELT, openVisit, type OpenVisit } from '../testing/open-visit';
import { aPlanInput } from '../testing/plan-input';
import { SAME_TAP_MS, TAP_CLOCK } from './same-tap';
import { TablePage } from './table.page';

const PLAN = planRecordOf(makePlan(aPlanInput({ today: new Date().toISOString().slice(0, 10) })), IN_ENGLISH);
const READY: readonly EventDraft[] = [
  ...FELT,
  { type: 'feel_over_done', body: {} },
  { type: 'plan_accepted', body: { plan: PLAN, told: null } },
];

describe('TablePage', () => {
  let visit: OpenVisit<TablePage>;
  beforeEach(async () => {
    visit = await openVisit(TablePage, READY);
  });
  afterEach(() => visit.close());
  const key = async (k: string): Promise<void> => {
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: k, bubbles: true }));
    await visit.shown();
  };
  const work = () => visit.store.state().work;

  it('takes no signal before the work has begun', async () => {
    expect(visit.button(/growls$/).disabled).toBeTrue();
    await key('7');
    expect(work()).toBeUndefined();
  });

  it('starts the first planned step with its planned hold, and goes on to the next', async () => {
    await visit.click(/^Start/);
    const first = PLAN.steps[0]!;
    expect(work()?.running).toBe(first.id);
    expect(work()?.hold).toBe(first.hold);
    await visit.click(/^Step done/);
    expect(work()?.steps.get(first.id)?.status).toBe('done');
    expect(visit.host.textContent).toContain(PLAN.steps[1]!.label);
  });

  it('records signals by touch and by key, and undoes the last one', async () => {
    await visit.click(/^Start/);
    await visit.click(/licks lips or nose$/);
    await key('7');
    expect(visit.store.now()?.strain.band).toBe('pause');
    expect(visit.host.querySelector('[role="alert"]')?.textContent).toContain('Pause');
    await key('u');
    expect(visit.store.now()?.strain.band).toBe('settled');
    expect(visit.host.querySelector('.entry')?.textContent).toContain('Taken back');
  });

  it('says when an entry is durable, in words', async () => {
    await visit.click(/^Start/);
    await visit.click(/pulls away$/);
    await visit.until(() => visit.host.querySelector('.entry')?.textContent?.startsWith('pulls away') === true);
  });

  it('takes each place of a step by itself: one is left, the others are done with the step', async () => {
    const step = PLAN.steps.find((x) => x.pieces.length > 1)!;
    await visit.click(/^Start/);
    await visit.store.record({ type: 'step_started', body: { step: step.id } });
    await visit.click(/^Places/);
    const [first, second] = step.pieces;
    const of = (zone: ZoneId): Promise<ChoiceGroupHarness> =>
      visit.loader.getHarness(ChoiceGroupHarness.with({ label: ENGLISH.labels.zone[zone] }));
    await (await of(first!.zones[0]!)).press('left');
    await visit.until(() => work()?.pieces.get(first!.id)?.status === 'left');
    await (await of(second!.zones[0]!)).press('done');
    await visit.until(() => visit.host.textContent?.includes(`1 of ${step.pieces.length} done`) === true);
    await visit.click('Close');
    await visit.click(/^Step done/);
    await visit.until(() => work()?.steps.get(step.id)?.status === 'done');
    expect(work()?.pieces.get(first!.id)?.status).toBe('left');
    expect(step.pieces.slice(1).map((x) => work()?.pieces.get(x.id)?.status)).toEqual(step.pieces.slice(1).map(() => 'done'));
  });

  it('pauses and goes on', async () => {
    await visit.click(/^Start/);
    await key('p');
    expect(work()?.onBreakSinceMs).toBeDefined();
    await key('p');
    expect(work()?.onBreakSinceMs).toBeUndefined();
  });

  it('answers Pause and Stop over an open slip, and nothing else', async () => {
    await visit.click(/^Start/);
    await key('9');
    const slip = await visit.loader.getHarness(SlipHarness);
    expect(await slip.name()).toBe('More signals');
    expect(visit.host.querySelector('man-step-card')?.hasAttribute('inert')).toBeTrue();
    expect(visit.host.querySelector('man-signal-pad')?.closest('[inert]')).toBeNull();
    await key('7');
    expect(visit.store.now()?.strain.hardSigns).toEqual([]);
    await key('p');
    expect(work()?.onBreakSinceMs).toBeDefined();
    await key('s');
    await visit.until(() => visit.host.querySelector('man-closing-card') !== null);
  });

  it('asks for a safe end before it asks why, and offers nothing else until then', async () => {
    await visit.click(/^Start/);
    const step = PLAN.steps[0]!;
    await key('s');
    await visit.until(() => visit.host.querySelector('man-closing-card') !== null);
    expect(visit.host.querySelector('man-step-card')).toBeNull();
    expect(
      TestBed.inject(Keymap)
        .shown()
        .map((k) => k.id),
    ).not.toContain('table.replan');
    expect(visit.host.textContent).not.toContain('It has had enough');
    await visit.click(/^Done: next line/);
    expect(work()?.running).toBeUndefined();
    expect(work()?.steps.get(step.id)?.status).toBe('part');
    while (visit.host.querySelector('man-closing-card ol button')) await visit.click(/^Done: next line/);
    await visit.click('It has had enough');
    expect(visit.store.state().ended).toEqual(jasmine.objectContaining({ outcome: 'stopped', why: 'It has had enough' }));
  });

  it('goes on when a stop, or the sign that said it, is taken back', async () => {
    await visit.click(/^Start/);
    await key('s');
    await key('u');
    await visit.until(() => visit.host.querySelector('man-step-card') !== null);
    await key('8');
    await visit.until(() => visit.host.querySelector('man-closing-card')?.textContent?.includes('The dog has said stop') === true);
    await key('u');
    await visit.until(() => visit.host.querySelector('man-step-card') !== null);
  });

  it('hears a stop that is pressed at once after one was taken back', async () => {
    await visit.click(/^Start/);
    await key('s');
    await visit.until(() => visit.host.querySelector('man-closing-card') !== null);
    const stop = (): { id: string; type: string } | undefined => visit.store.state().undoable;
    const first = stop()?.id;
    // Both in one breath: the state has not come yet.
    for (const pressed of ['u', 's']) document.body.dispatchEvent(new KeyboardEvent('keydown', { key: pressed, bubbles: true }));
    await visit.until(() => stop()?.type === 'closing_begun' && stop()?.id !== first);
    expect(visit.host.querySelector('man-closing-card')).not.toBeNull();
  });

  it('takes a signal from the pad beside an open slip, and keeps what was typed on it', async () => {
    await visit.click(/^Start/);
    await key('n');
    const remark = await visit.loader.getHarness(TextFieldHarness.with({ label: 'Remark' }));
    await remark.type('Hums when the dryer starts.');
    await visit.click(/pulls away$/);
    expect(await remark.value()).toBe('Hums when the dryer starts.');
    await (await visit.loader.getHarness(SlipHarness)).close();
    await key('n');
    expect(await (await visit.loader.getHarness(TextFieldHarness.with({ label: 'Remark' }))).value()).toBe('Hums when the dryer starts.');
    await visit.click('Keep it');
    expect(visit.store.state().notes.map((n) => n.text)).toEqual(['Hums when the dryer starts.']);
    await key('n');
    expect(await (await visit.loader.getHarness(TextFieldHarness.with({ label: 'Remark' }))).value()).toBe('');
  });

  it('keeps an incident that was begun when its slip is closed', async () => {
    await visit.click(/^Start/);
    await key('i');
    await visit.click('nick');
    await (await visit.loader.getHarness(SlipHarness)).escape();
    await key('i');
    expect(visit.host.querySelector('man-incident-form')?.textContent).toContain('Nick: at once');
  });

  it('has a key for every action, each once', () => {
    const keys = TestBed.inject(Keymap).shown();
    expect(new Set(keys.map((k) => k.key)).size).toBe(keys.length);
    expect(keys.map((k) => k.id)).toEqual(
      jasmine.arrayContaining([
        'table.signal.1',
        'table.signal.8',
        'table.main',
        'table.pause',
        'table.stop',
        'table.undo',
        'table.replan',
      ]),
    );
  });

  it('keeps Space and Enter for the button that has the focus', async () => {
    const leave = visit.button(/Leave$/);
    leave.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await visit.fixture.whenStable();
    expect(work()).toBeUndefined();
  });

  it('asks what a sign was of that comes of other things, too; by touch and by key, and undo asks again', async () => {
    const asked = (): string => visit.host.querySelector('.looks')?.textContent ?? '';
    await visit.click(/^Start/);
    await visit.click(/licks lips or nose$/);
    expect(asked()).toBe('');
    await visit.click(/pants$/);
    expect(asked()).toContain('Pants: look for heat, breath, pain first. Was it strain?');
    await visit.click(/^not strain/);
    expect(work()?.signs.at(-1)?.cause).toBe('something_else');
    expect(asked()).toBe('');
    await key('u');
    expect(asked()).toContain('Was it strain?');
    await key('w');
    expect(work()?.signs.at(-1)?.cause).toBe('unsure');
  });

  it('can leave a step, and then finishes when nothing waits', async () => {
    await visit.click(/^Start/);
    for (const step of PLAN.steps) {
      await visit.click(/^Leave it/);
      // One tap that strayed leaves nothing.
      expect(work()?.steps.get(step.id)?.status).not.toBe('left');
      await visit.click('no time left');
      expect(work()?.steps.get(step.id)?.status).toBe('left');
    }
    await visit.until(() => visit.host.textContent?.includes('All steps are done or left') === true);
    await visit.click(/^Finish/);
    expect(visit.store.state().ended?.outcome).toBe('finished');
  });
});

describe('a tap that bounces', () => {
  let visit: OpenVisit<TablePage>;
  let now = 0;
  beforeEach(async () => {
    now = 0;
    visit = await openVisit(TablePage, READY, {}, null, [], [{ provide: TAP_CLOCK, useValue: () => now }]);
  });
  afterEach(() => visit.close());
  const entries = (): number => visit.store.state().eventCount;

  it('is one: the step that was just ended does not begin the next, and no sign counts twice', async () => {
    await visit.click(/^Start/);
    now = 1000;
    await visit.click(/^Step done/);
    const before = entries();
    now = 1000 + SAME_TAP_MS - 1;
    visit.button(/^Start step/).click();
    await visit.shown();
    expect(entries()).toBe(before);
    expect(visit.store.state().work?.running).toBeUndefined();
    now = 1000 + SAME_TAP_MS;
    await visit.click(/^Start step/);
    expect(visit.store.state().work?.running).toBe(PLAN.steps[1]?.id);
    const signs = (): number => visit.store.state().work?.signs.length ?? 0;
    visit.button(/pulls away$/).click();
    visit.button(/pulls away$/).click();
    await visit.until(() => signs() > 0);
    expect(signs()).toBe(1);
    await visit.click(/turns head away$/);
    expect(signs()).toBe(2);
  });
});

describe('the next minutes at the table', () => {
  let visit: OpenVisit<TablePage>;
  const hard = { ...PLAN, steps: PLAN.steps.map((s) => ({ ...s, ratePerMinute: 12 })) };
  beforeEach(async () => {
    visit = await openVisit(TablePage, [...READY.slice(0, -1), { type: 'plan_accepted', body: { plan: hard, told: null } }]);
  });
  afterEach(() => visit.close());

  it('are told with what would lower them, only where a growl is likely, and not in a pause', async () => {
    const ahead = (): string => [...visit.host.querySelectorAll('.ahead')].map((p) => p.textContent ?? '').join(' ');
    await visit.click(/^Start/);
    await visit.click(/pants$/);
    await visit.click(/pants$/);
    expect(visit.store.now()?.strain.band).toBe('watch');
    await visit.until(() => ahead() !== '');
    expect(ahead()).toMatch(/^Next 5 min like this: a growl or worse.*\. (A break now|The next step instead): /);
    await visit.click(/growls$/);
    await visit.until(() => ahead() === '');
  });
});
