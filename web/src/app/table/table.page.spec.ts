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
import { VISIT_DB } from '../visit-log/visit-db';
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
    await visit.click(/^in part, left/);
    const [first, second] = step.pieces;
    const of = (zone: ZoneId): Promise<ChoiceGroupHarness> =>
      visit.loader.getHarness(ChoiceGroupHarness.with({ label: ENGLISH.labels.zone[zone] }));
    await (await of(first!.zones[0]!)).press('left');
    await visit.until(() => work()?.pieces.get(first!.id)?.status === 'left');
    await (await of(second!.zones[0]!)).press('done');
    await visit.until(() => work()?.pieces.get(second!.id)?.status === 'done');
    await visit.click('Close');
    await visit.click(/^Step done/);
    // What nobody has said of the others is asked by a tap of its own.
    if (step.pieces.length > 2) {
      expect(work()?.steps.get(step.id)?.status).toBe('running');
      await visit.click('They are done as well');
    }
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

  it('leaves the places that are open with one reason, and the step is done in part', async () => {
    const step = PLAN.steps.find((x) => x.pieces.length > 1)!;
    await visit.click(/^Start/);
    await visit.store.record({ type: 'step_started', body: { step: step.id } });
    const [first, ...others] = step.pieces;
    await visit.click(new RegExp(`^${ENGLISH.labels.zone[first!.zones[0]!]}`));
    await visit.until(() => work()?.pieces.get(first!.id)?.status === 'done');
    await visit.click(/^Step done/);
    await visit.click('the skin there');
    await visit.until(() => work()?.steps.get(step.id)?.status === 'part');
    expect(others.map((p) => [work()?.pieces.get(p.id)?.status, work()?.pieces.get(p.id)?.why])).toEqual(
      others.map(() => ['left', 'the skin there']),
    );
    expect(work()?.pieces.get(first!.id)?.status).toBe('done');
  });

  describe('an incident', () => {
    const incident = () => visit.store.state().incidents.at(-1);
    const slip = (): string => visit.host.querySelector('man-incident-slip')?.textContent ?? '';
    beforeEach(async () => {
      await visit.click(/^Start/);
      await key('i');
      await visit.click('nick');
    });

    it('is recorded by its kind alone, the work paused, with what to do at once and how long to press', () => {
      expect(incident()).toEqual(jasmine.objectContaining({ kind: 'nick', harm: undefined }));
      expect(work()?.onBreakSinceMs).toBeDefined();
      expect(visit.host.querySelector('man-incident-slip [role="alert"]')?.textContent).toContain('Press with clean gauze for 5 min');
      expect(slip()).toMatch(/Press, unbroken: [45]:\d\d left/);
      expect(slip()).toContain('Ring Perpetua Glain 0550 1');
      expect(slip()).not.toContain('0550 9');
    });

    it('is told more of by tap; severe means the vet, with the number', async () => {
      await (await visit.loader.getHarness(ChoiceGroupHarness.with({ label: 'How bad?' }))).press(ENGLISH.labels.harm.severe);
      await visit.until(() => incident()?.harm === 'severe');
      await visit.until(() => slip().includes('0550 9'));
      expect(visit.store.state().incidents.length).toBe(1);
    });

    it('stays open until somebody has said how bad it is; undo takes it back with its pause', async () => {
      await (await visit.loader.getHarness(SlipHarness)).escape();
      expect(visit.host.querySelector('man-step-card')?.textContent).toMatch(/Press, unbroken/);
      await key('i');
      expect(slip()).toContain('Nick: at once');
      await (await visit.loader.getHarness(SlipHarness)).escape();
      await key('u');
      await visit.until(() => visit.store.state().incidents.length === 0);
      expect(work()?.onBreakSinceMs).toBeUndefined();
    });
  });

  it('takes a place that is touched on the map: a tool stops there, and it is warned of at once', async () => {
    await visit.click(/^Start/);
    const step = PLAN.steps[0]!;
    document.body.append(visit.host);
    await key('m');
    const at = (): string | null | undefined => document.activeElement?.getAttribute('data-zone');
    // Arrows go from place to place, and open nothing.
    for (let i = 0; i < 80 && at() !== step.zones[0]; i++) {
      document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }));
      await visit.fixture.whenStable();
    }
    expect(at()).toBe(step.zones[0]!);
    expect(visit.host.querySelector('man-slip')).toBeNull();
    document.activeElement?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await visit.shown();
    await (await visit.loader.getHarness(ChoiceGroupHarness.with({ label: 'The tool stops here' }))).press('at something firm');
    await visit.until(() => visit.store.state().toolStops.length === 1);
    expect(visit.store.state().toolStops.map((s) => [s.zone, s.cause])).toEqual([[step.zones[0]!, 'growth']]);
    await (await visit.loader.getHarness(SlipHarness)).escape();
    await visit.until(() => visit.host.querySelector('.cautions .fresh') !== null);
  });

  it('keeps a ready-made remark by one tap, and hands the dog over by another', async () => {
    await visit.click(/^Start/);
    await key('n');
    await visit.click('Works: a hand under the chin');
    expect(visit.store.state().notes.map((n) => n.text)).toEqual(['Works: a hand under the chin']);
    await key('d');
    await (await visit.loader.getHarness(ChoiceGroupHarness.with({ label: 'Hands' }))).press('Rafael Quisthas the dog');
    expect(visit.host.querySelector('man-slip')).toBeNull();
  });

  it('is marked where it is written down afterwards', async () => {
    await visit.click(/^Start/);
    await key('l');
    await visit.click(/^This is written down afterwards/);
    await visit.until(() => visit.store.state().writtenAfter);
    expect(visit.host.querySelector('man-table-head')?.textContent).toContain('written down afterwards');
  });

  it('keeps a photograph on the device, and then the entry that names it', async () => {
    await visit.click(/^Start/);
    await key('f');
    const field = visit.host.querySelector<HTMLInputElement>('man-photo-slip input[type=file]')!;
    const files = new DataTransfer();
    files.items.add(new File([new Uint8Array([1, 2, 3])], 'mark.png', { type: 'image/png' }));
    field.files = files.files;
    field.dispatchEvent(new Event('change'));
    await visit.until(() => visit.store.state().photos.length === 1);
    const photoId = visit.store.state().photos[0]!.photoId;
    expect((await TestBed.inject(VISIT_DB).pictures.get(photoId))?.picture.size).toBe(3);
    await visit.until(() => visit.host.querySelector('man-photo-slip .taken')?.textContent?.includes('kept on this device') === true);
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
    const asked = (): string => visit.host.querySelector('.looks:not(.wrist)')?.textContent ?? '';
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
