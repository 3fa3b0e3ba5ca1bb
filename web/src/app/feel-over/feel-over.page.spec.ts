import { NOTHING_FOUND } from '@mansuet/core/findings';
import { replay, summarize } from '@mansuet/core/visit';
import { ToggleHarness } from '../controls/testing/choice.harness';
import { TextFieldHarness } from '../controls/testing/field.harness';
import { FELT, STAFF, VISIT, openVisit, type OpenVisit } from '../testing/open-visit';
import { FeelOverPage } from './feel-over.page';

/** Goes to a stretch of the dog by its name. */
async function stretch(visit: OpenVisit<FeelOverPage>, name: string): Promise<void> {
  const button = visit.host.querySelector<HTMLButtonElement>(`button[aria-label="${name}: not felt yet"]`);
  expect(button).withContext(name).not.toBeNull();
  button?.click();
  await visit.fixture.whenStable();
}

describe('FeelOverPage', () => {
  let visit: OpenVisit<FeelOverPage>;
  beforeEach(async () => {
    visit = await openVisit(FeelOverPage, [{ type: 'file_read', body: {} }], { conditions: ['heart'] });
  });
  afterEach(() => visit.close());
  const pick = async (zone: string): Promise<void> => {
    // By name, as the keyboard does: how small a zone is on this screen does not matter.
    visit.host.querySelector(`[data-zone="${zone}"]`)?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await visit.fixture.whenStable();
  };

  it('is not done before the fit questions and the mood are answered', async () => {
    expect(visit.button(/^Feel-over done/).disabled).toBeTrue();
    await visit.click('Nothing speaks against it');
    await visit.click('relaxed');
    expect(visit.store.fit()?.verdict).toBe('ask_vet');
    expect(visit.button(/^Not today: hand back/).disabled).toBeFalse();
    await visit.click('The vet has agreed');
    expect(visit.store.fit()?.verdict).toBe('go_with_limits');
    expect(visit.button(/^Feel-over done/).disabled).toBeFalse();
  });

  it('grades a mat from comb and lift, says what to do, and leads to the other side', async () => {
    await pick('armpit_left');
    await visit.click('Nothing passes');
    expect(visit.store.state().feelOver.zones).toEqual([
      { zone: 'armpit_left', matGrade: 3, skin: 'sound', crust: false, tests: { comb: 'nothing_passes' } },
    ]);
    await visit.click('One sheet, no gap');
    expect(visit.store.state().feelOver.zones[0]?.matGrade).toBe(4);
    expect(visit.host.textContent).toContain('Grade 4, pelted');
    await visit.click('Check the right armpit');
    expect(visit.host.querySelector('.zone-name')?.textContent).toBe('right armpit');
  });

  it('asks what a blade may stop at, before it does: skin first where it is loose, each with its own answer', async () => {
    await pick('armpit_left');
    expect(visit.host.textContent).not.toContain('If a blade stops here');
    await visit.click('Wide teeth stop');
    const asked = [...visit.host.querySelectorAll('details b')].map((b) => b.textContent);
    expect(asked[0]).toBe('Is a fold of skin lifted into the teeth?');
    expect(asked.length).toBe(3);
    await visit.click('Nothing passes');
    expect(visit.host.querySelector('details b')?.textContent).toBe('Does the blade stop at a mat that it does not get under?');
  });

  it('keeps skin and crust of the zone when the comb test changes', async () => {
    await pick('groin_left');
    await visit.click('red');
    await visit.click('Wide teeth stop');
    expect(visit.store.state().feelOver.zones).toEqual([
      { zone: 'groin_left', matGrade: 2, skin: 'red', crust: false, tests: { comb: 'wide_stops' } },
    ]);
  });

  it('asks back for a mark without size, and puts a measured one on the map', async () => {
    await pick('back');
    await visit.click('A mark lies here');
    const [length] = visit.host.querySelectorAll<HTMLInputElement>('man-marks-here input');
    length!.value = '0';
    length!.dispatchEvent(new Event('input'));
    await visit.click('Put it on the map');
    expect(visit.host.textContent).toContain('Length and width in mm');
    length!.value = '12';
    length!.dispatchEvent(new Event('input'));
    await visit.click('Put it on the map');
    expect(visit.store.state().feelOver.marks[0]).toEqual(jasmine.objectContaining({ zone: 'back', lengthMm: 12, isNew: true }));
    expect(visit.host.querySelector('.pin')).not.toBeNull();
  });

  it('takes any number of marks in one place, each with its kind', async () => {
    await pick('back');
    await visit.click('A mark lies here');
    await visit.click('hangs on a stalk');
    await visit.click('Put it on the map');
    await visit.until(() => visit.store.state().feelOver.marks.length === 1);
    await visit.click('Another mark here');
    await visit.click('scar');
    await visit.click('Put it on the map');
    await visit.until(() => visit.store.state().feelOver.marks.length === 2);
    expect(visit.store.state().feelOver.marks.map((m) => m.kind)).toEqual(['hangs', 'scar']);
    expect(visit.host.querySelectorAll('.view.v0 .pin').length).toBe(2);
  });

  it('writes down that it minds the hand in a place, and takes it back', async () => {
    await pick('tail');
    await visit.click('minds the hand here');
    await visit.until(() => visit.store.state().feelOver.resents?.includes('tail') === true);
    await visit.click('minds the hand here');
    await visit.until(() => visit.store.state().feelOver.resents?.length === 0);
  });

  it('shows where a tick is, place by place, and takes it back with the last one', async () => {
    await pick('tail');
    await visit.click('a tick');
    await visit.until(() => visit.store.state().feelOver.foundAt?.ticks?.includes('tail') === true);
    await pick('belly');
    await visit.click('a tick');
    await visit.until(() => visit.store.state().feelOver.foundAt?.ticks?.length === 2);
    expect(visit.host.querySelector('.found')?.textContent).toMatch(/ticks: .*tail.*belly/);
    await visit.click('a tick');
    await visit.until(() => visit.store.state().feelOver.foundAt?.ticks?.length === 1);
    expect(visit.store.state().feelOver.looked?.ticks).toBe('tick');
    await pick('tail');
    await visit.click('a tick');
    await visit.until(() => visit.store.state().feelOver.looked?.ticks === 'none_found');
    expect(visit.store.state().feelOver.foundAt?.ticks).toEqual([]);
  });

  it('takes the hours of meal and medicines, and says beside the field what is missing', async () => {
    await visit.click('Fit and mood');
    await visit.click('Told today …');
    const field = (name: string): HTMLInputElement => visit.host.querySelector<HTMLInputElement>(`input[name="${name}"]`)!;
    const type = async (name: string, value: string): Promise<void> => {
      field(name).value = value;
      for (const kind of ['input', 'change']) field(name).dispatchEvent(new Event(kind));
      await visit.shown();
    };
    await visit.click('Write it down');
    expect(visit.host.textContent).toContain('What was it? The name on the box.');
    expect(visit.host.textContent).toContain('At what time?');
    await type('mealAt', '06:30');
    await visit.until(() => visit.store.state().fit?.hours?.meal === '06:30');
    await type('medicine', 'heart tablet');
    await type('medicineAt', '07:00');
    await visit.click('Write it down');
    await visit.until(() => visit.store.state().fit?.hours?.medicines?.length === 1);
    expect(visit.store.state().fit?.hours).toEqual(
      jasmine.objectContaining({ meal: '06:30', medicines: [{ what: 'heart tablet', at: '07:00' }] }),
    );
    // Another answer of the day leaves them alone.
    await visit.click('The vet has agreed');
    await visit.until(() => visit.store.state().fit?.vetAgreed === true);
    expect(visit.store.state().fit?.hours?.meal).toBe('06:30');
    visit.host.querySelector<HTMLButtonElement>('button[aria-label="Take away: heart tablet"]')?.click();
    await visit.shown();
    await visit.until(() => visit.store.state().fit?.hours?.medicines === undefined);
  });

  it('asks of every dog what nobody has asked yet, and is done by one tap for what is known', async () => {
    await visit.click('Fit and mood');
    expect(visit.host.querySelector('man-every-dog')?.textContent).toContain('Still to ask: is it used to a muzzle');
    expect(visit.button('All as in the file').disabled).toBeTrue();
    await visit.click('One by one …');
    const say = async (question: string, answer: string): Promise<void> => {
      const group = [...visit.host.querySelectorAll('man-every-dog man-choice')].find((g) => g.textContent?.includes(question));
      [...(group?.querySelectorAll('button') ?? [])].find((b) => b.textContent?.trim() === answer)?.click();
      await visit.shown();
    };
    await say('Used to a muzzle?', 'no');
    await say('Sore when lifted?', 'yes');
    await say('Lies willingly on', 'its left side');
    await say('Slips its collar?', 'no');
    await visit.until(
      () => visit.host.querySelector('man-every-dog')?.textContent?.includes('sore when lifted · lies on its left side') === true,
    );
    expect(visit.store.state().dogAsked).toEqual({ muzzleUsed: false, soreWhenLifted: true, liesOn: 'left', slipsCollar: false });
  });

  it('closes the place that was open when a touch misses, so that no wrong place is graded', async () => {
    await pick('back');
    expect(visit.host.querySelector('.zone-name')).not.toBeNull();
    visit.host.querySelector('.views svg')!.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    await visit.until(() => visit.host.querySelector('.zone-name') === null);
  });

  it('takes joints, and takes them back', async () => {
    await visit.click('Joints');
    const hip = [...visit.host.querySelectorAll('.joints li')].find((li) => li.textContent?.includes('left hip'));
    hip?.querySelectorAll('button')[1]?.click();
    await visit.until(() => visit.store.state().feelOver.joints.hip_left === 'stiff');
    await visit.click(/^Undo: left hip/);
    expect(visit.store.state().feelOver.joints.hip_left).toBeUndefined();
  });

  it('goes nose to tail in the order of the hands: thirteen taps for a sound dog, file and fit included', async () => {
    await visit.click('Nothing speaks against it');
    await visit.click('The vet has agreed');
    await visit.click('still');
    let taps = 3;
    while (visit.host.querySelector('.taps .good')) {
      visit.host.querySelector<HTMLButtonElement>('.taps .good')!.click();
      const felt = visit.store.state().areasFelt.size;
      await visit.until(() => visit.store.state().areasFelt.size > felt);
      await visit.fixture.whenStable();
      taps++;
    }
    expect(visit.store.state().areasFelt.size).toBe(9);
    expect(taps).toBe(12);
    expect(visit.host.textContent).toContain('Nose to tail is felt');
    // The minutes come from the planner, which works in a worker: they follow the last tap.
    await visit.until(() => /About \d+ min/.test(visit.host.textContent ?? ''));
    expect(visit.host.textContent).toMatch(/About \d+ min/);
  });

  it('takes what is seen at eyes, ears and nails, and shows at once what follows', async () => {
    await visit.click('Nothing speaks against it');
    await visit.click('The vet has agreed');
    await visit.click('still');
    await stretch(visit, 'Ears');
    await visit.click('black or foul');
    expect(visit.store.state().feelOver.looked).toEqual({ ears: 'foul' });
    await visit.until(() => visit.host.textContent?.includes('1 for a vet') === true);
    expect(visit.host.querySelector('.found')?.textContent).toContain('ears black or foul');
  });

  it('weighs: a slip is asked back about before it counts, a loss is for a vet', async () => {
    const weight = await visit.loader.getHarness(TextFieldHarness.with({ label: 'Weight today, kg' }));
    await weight.enter('200');
    expect(visit.host.textContent).toContain('Between 0.3 kg and 120 kg');
    await weight.enter('9');
    expect(visit.host.textContent).toContain('It weighed 18 kg before: 50 % less now.');
    expect(visit.store.state().weightKg).toBeUndefined();
    await visit.click('9 kg is right');
    expect(visit.store.state().weightKg).toBe(9);
    await visit.click('Send weight');
    await visit.until(() => visit.store.state().weightKg === 18);
    expect(visit.store.planInput()).toBeUndefined();
  });

  it('measures a mark with the caliper: first the length, then the width', async () => {
    await pick('back');
    for (const mm of ['14.5', '9']) {
      const slide = visit.host.querySelector<HTMLInputElement>('input[name="caliper"]')!;
      slide.value = mm;
      slide.dispatchEvent(new Event('input'));
      await visit.fixture.whenStable();
      await visit.click('Send measure');
    }
    await visit.click('Put it on the map');
    expect(visit.store.state().feelOver.marks[0]).toEqual(jasmine.objectContaining({ lengthMm: 14.5, widthMm: 9 }));
  });
});

describe('FeelOverPage of a dog that was here before', () => {
  let visit: OpenVisit<FeelOverPage>;
  const MARK = '01900000-0000-7000-8000-0000000000f1';
  beforeEach(async () => {
    visit = await openVisit(
      FeelOverPage,
      FELT,
      {},
      {
        on: '2026-09-01',
        feelOver: {
          ...NOTHING_FOUND,
          zones: [
            { zone: 'ear_base_left', matGrade: 2, skin: 'red', crust: false },
            { zone: 'armpit_left', matGrade: 3, skin: 'sound', crust: false },
          ],
          marks: [{ markId: MARK, zone: 'back', lengthMm: 8, widthMm: 6, border: 'regular', surface: 'smooth', isNew: false }],
          joints: { hip_left: 'stiff' },
          favours: 'hind_left',
        },
      },
    );
  });
  afterEach(() => visit.close());

  it('writes down what is as before by one tap, as findings of today', async () => {
    await stretch(visit, 'Ears');
    expect(visit.host.textContent).toContain('mats red skin');
    await visit.click(/^As before/);
    await visit.until(() => visit.store.state().areasFelt.get('ears') === 'as_before');
    expect(visit.store.state().feelOver.zones).toEqual([
      { zone: 'ear_base_left', matGrade: 2, skin: 'red', crust: false, tests: { asBefore: '2026-09-01' } },
    ]);
    await stretch(visit, 'Joints');
    await visit.click(/^As before/);
    await visit.until(() => visit.store.state().areasFelt.has('joints'));
    expect(visit.store.state().feelOver.joints).toEqual({ hip_left: 'stiff' });
    expect(visit.store.state().feelOver.favours).toBe('hind_left');
  });

  it('makes what changed stand out: what was matted is sound today', async () => {
    await stretch(visit, 'Forelegs and feet');
    visit.host.querySelector<HTMLButtonElement>('.taps .good')!.click();
    await visit.until(() => visit.store.state().areasFelt.has('forelegs'));
    const zone = visit.host.querySelector('[data-zone="armpit_left"]');
    expect(zone?.classList).toContain('changed');
    expect(zone?.getAttribute('aria-label')).toContain('otherwise than last time');
    expect(visit.host.querySelector('[data-zone="armpit_right"]')?.classList).not.toContain('changed');
  });

  it('asks for a mark to be measured anew, and never copies a number that nobody read', async () => {
    await stretch(visit, 'Back and sides');
    expect(visit.host.textContent).toContain('Measure the mark, back (8 × 6 mm');
    visit.host.querySelector<HTMLButtonElement>('.taps .good')!.click();
    await visit.until(() => visit.store.state().areasFelt.has('back_and_sides'));
    expect(visit.store.state().feelOver.marks).toEqual([]);
  });
});

describe('FeelOverPage after a visit that left a mat', () => {
  const left = {
    ...summarize(replay(VISIT, [])),
    outcome: 'stopped' as const,
    plannedMinutes: 60,
    undone: ['clip_tight_fragile' as const],
    leftZones: ['armpit_left' as const],
    undoneZones: [{ zone: 'armpit_left' as const, matGrade: 3 as const, skin: 'red' as const, crust: false }],
    on: '2026-01-10',
  };
  const past = { visitId: STAFF, arrivesAt: '2026-01-10T09:00:00Z', groomer: 'Rafael Quist', summary: left };

  it('asks for a hand on it, and says so no longer once one was there', async () => {
    const visit = await openVisit(FeelOverPage, [{ type: 'file_read', body: {} }, ...FELT], {}, null, [past]);
    const asks = (): string => visit.host.querySelector('.found')?.textContent ?? '';
    expect(asks()).toContain('left armpit: grade 3 left undone');
    expect(visit.store.planInput()?.feelOver.zones.map((z) => z.zone)).toEqual(['armpit_left']);
    await visit.click(/left armpit: grade 3/);
    expect(visit.host.querySelector('.zone-name')?.textContent).toBe('left armpit');
    await visit.click('Wide teeth snag');
    expect(asks()).not.toContain('left undone');
    expect(visit.store.planInput()?.feelOver.zones.map((z) => z.matGrade)).toEqual([1]);
    visit.close();
  });

  it('knows the place that it minded the last time, and lets it be taken back', async () => {
    const minded = { ...past, summary: { ...left, resents: ['tail' as const] } };
    const visit = await openVisit(FeelOverPage, [{ type: 'file_read', body: {} }, ...FELT], {}, null, [minded]);
    const resents = (): readonly string[] => visit.store.planInput()?.feelOver.resents ?? [];
    expect(resents()).toEqual(['tail']);
    visit.host.querySelector('[data-zone="tail"]')?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
    await visit.fixture.whenStable();
    const toggle = await visit.loader.getHarness(ToggleHarness.with({ label: 'minds the hand here' }));
    expect(await toggle.isOn()).toBeTrue();
    await toggle.press();
    await visit.until(() => resents().length === 0);
    expect(await toggle.isOn()).toBeFalse();
    visit.close();
  });
});
