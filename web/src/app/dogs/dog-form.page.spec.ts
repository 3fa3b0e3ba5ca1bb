import { TestbedHarnessEnvironment } from '@angular/cdk/testing/testbed';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { Router, provideRouter } from '@angular/router';
import type { DogForm } from '@mansuet/core/knowledge/dogs';
import { FakeApi } from '../testing/fake-api';
import { settle } from '../testing/page';
import { DateFieldHarness } from '../controls/testing/field.harness';
import { DogFormPage } from './dog-form.page';

const ID = '01900000-0000-7000-8000-000000000001';

describe('DogFormPage', () => {
  let fixture: ComponentFixture<DogFormPage>;
  let api: FakeApi;
  const sent = (): { dog: DogForm; sure?: string[] }[] => api.sent.map((s) => s.body as { dog: DogForm; sure?: string[] });
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const input = (name: string): HTMLInputElement => host().querySelector<HTMLInputElement>(`input[name="${name}"]`)!;
  const type = async (name: string, value: string): Promise<void> => {
    input(name).value = value;
    input(name).dispatchEvent(new Event('input'));
    await fixture.whenStable();
  };
  const save = async (): Promise<void> => {
    host().querySelector<HTMLButtonElement>('button[type="submit"]')!.click();
    await settle(fixture);
  };
  const chip = (text: string): HTMLButtonElement => [...host().querySelectorAll('button')].find((b) => b.textContent?.trim() === text)!;

  beforeEach(async () => {
    api = new FakeApi();
    api.answer('POST /dogs', { id: ID });
    TestBed.configureTestingModule({
      providers: [provideRouter([{ path: '**', children: [] }]), api.provider()],
    });
    fixture = TestBed.createComponent(DogFormPage);
    await fixture.whenStable();
    await type('name', 'Quince');
    await type('born', '2022-05-01');
    await type('kg', '12');
    await type('ownerName', 'Gudrun Selby');
  });

  it('lets nothing be typed before the file that is changed is there', async () => {
    api.refuse(`GET /dogs/${ID}`, { code: 'internal', title: 'Something went wrong' });
    const change = TestBed.createComponent(DogFormPage);
    change.componentRef.setInput('dogId', ID);
    await settle(change);
    const page = change.nativeElement as HTMLElement;
    expect(page.querySelectorAll('input').length).toBe(0);
    expect(page.querySelector<HTMLButtonElement>('button[type="submit"]')?.disabled).toBeTrue();
  });

  it('sends what was typed, and goes on to the booking', async () => {
    const navigate = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    chip('sore joints').click();
    chip('nails').click();
    chip('Has bitten while handled').click();
    await save();
    expect(sent()[0]?.dog).toEqual(
      jasmine.objectContaining({
        name: 'Quince',
        weightKg: 12,
        conditions: ['arthritis'],
        triggers: [{ cause: 'nails' }],
        biteHistory: true,
        standingSeenMinutes: null,
      }),
    );
    expect(navigate).toHaveBeenCalledWith(['/dogs', ID, 'book']);
  });

  it('sends nothing while a field is wrong, and says it beside the field', async () => {
    await type('born', '2999-01-01');
    await save();
    expect(sent()).toEqual([]);
    const born = await TestbedHarnessEnvironment.loader(fixture).getHarness(DateFieldHarness);
    expect(await born.error()).toBe('This day has not come yet.');
    expect((await born.tied()).invalid && (await born.hasFocus())).toBeTrue();
    expect(input('name').value).toBe('Quince');
  });

  it('asks back for a heavy dog of light build, and takes it all the same', async () => {
    await type('kg', '70');
    expect(host().textContent).toContain('70 kg for a light dog: is that right?');
    await save();
    expect(sent()).toEqual([]);
    expect(host().textContent).toContain('Answer the question below');
    chip('Yes, that is right').click();
    await save();
    expect(sent()[0]?.dog.weightKg).toBe(70);
    expect(sent()[0]?.sure).toEqual(['dog.weightKg']);
  });

  it('reads pounds, and says what it has read', async () => {
    await type('kg', '26.5 lb');
    expect(host().textContent).toContain('12.02 kg');
    await type('kg', 'twelve');
    expect(host().textContent).toContain('This is not a weight');
    await type('kg', '26.5 lb');
    await save();
    expect(sent()[0]?.dog.weightKg).toBe(12.02);
  });

  it('keeps how sure a birth date is', async () => {
    chip('± half a year').click();
    await save();
    expect(sent()[0]?.dog).toEqual(jasmine.objectContaining({ bornEstimated: true, bornWithinMonths: 6 }));
  });

  it('shows what the server refuses, and keeps what was typed', async () => {
    api.refuse('POST /dogs', {
      code: 'bad_input',
      title: 'Some values cannot be taken.',
      errors: [{ path: 'dog.name', message: 'There is such a dog.' }],
    });
    await save();
    expect(host().textContent).toContain('There is such a dog.');
    expect(input('ownerName').value).toBe('Gudrun Selby');
  });

  it('says the age while the date is typed', () => expect(host().textContent).toMatch(/1 May 2022 · \d+ years/));
});
