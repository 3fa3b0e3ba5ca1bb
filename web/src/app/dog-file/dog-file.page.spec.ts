import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { DogFile } from '@mansuet/core/contract';
import { EMPTY_DOG } from '@mansuet/core/knowledge/dogs';
import { FakeApi } from '../testing/fake-api';
import { buttonOf, settle, typeInto, until } from '../testing/page';
import { DogFilePage } from './dog-file.page';

const ID = '01900000-0000-7000-8000-000000000001';
const OTHER = '01900000-0000-7000-8000-000000000002';
const NOTE = '01900000-0000-7000-8000-000000000003';
const MARK = '01900000-0000-7000-8000-000000000004';
const VISIT = '01900000-0000-7000-8000-000000000005';

function aFile(change: Partial<DogFile> = {}): DogFile {
  return {
    dogId: ID,
    version: 1,
    dog: {
      ...EMPTY_DOG,
      name: 'Moss',
      born: '2021-06-01',
      bornEstimated: true,
      bornWithinMonths: 6,
      weightKg: 16,
      medicines: ['heart tablets'],
    },
    owner: {
      ownerId: OTHER,
      name: 'Perpetua Glain',
      phone: '0550 1',
      email: '',
      contacts: [{ name: 'Alwin Glain', phone: '0550 2', role: 'emergency' }],
      version: 1,
    },
    archived: false,
    mergedInto: null,
    merged: [],
    notes: [{ noteId: NOTE, kind: 'works', text: 'A hand first.', saidBy: 'Odette Marrow', saidOn: '2026-09-01' }],
    visits: [],
    marks: [
      { markId: MARK, visitId: VISIT, seenOn: '2026-06-01', zone: 'back', lengthMm: 8, widthMm: 6, border: 'regular', surface: 'smooth' },
      { markId: MARK, visitId: VISIT, seenOn: '2026-10-01', zone: 'back', lengthMm: 12, widthMm: 9, border: 'regular', surface: 'smooth' },
    ],
    weights: [
      { on: '2026-09-01', kg: 18, by: 'scale' },
      { on: '2026-11-01', kg: 16, by: 'scale' },
    ],
    vetSeen: [],
    photos: [],
    ...change,
  };
}

describe('DogFilePage', () => {
  let api: FakeApi;
  let fixture: ComponentFixture<DogFilePage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const text = (): string => host().textContent?.replace(/\s+/g, ' ') ?? '';
  const click = async (name: string): Promise<void> => {
    buttonOf(host(), name).click();
    await settle(fixture);
  };
  const open = async (file: DogFile): Promise<void> => {
    api.answer(`GET /dogs/${ID}`, file);
    TestBed.configureTestingModule({ providers: [provideRouter([{ path: '**', children: [] }]), ...api.providers()] });
    fixture = TestBed.createComponent(DogFilePage);
    fixture.componentRef.setInput('dogId', ID);
    await settle(fixture);
  };
  beforeEach(() => {
    api = new FakeApi();
  });

  it('says how sure an age is, what was told, whom to ring, and that a weight was lost', async () => {
    await open(aFile());
    expect(text()).toContain('give or take 6 months');
    expect(text()).toContain('heart tablets');
    expect(text()).toContain('Alwin Glain, in an emergency');
    expect(text()).toContain('11 % lighter than on 1 September 2026');
    expect(host().querySelector('man-trend-line svg')?.getAttribute('aria-label')).toBe('Weight: 18 kg on 2026-09-01, 16 kg on 2026-11-01');
  });

  it('draws a mark through time and sends it to the vet, until a vet has seen it', async () => {
    await open(aFile());
    expect(text()).toContain('bigger, 8 × 6 mm before and 12 × 9 mm now');
    expect(host().querySelectorAll('man-marks-panel circle').length).toBe(2);
    api.answer(`GET /dogs/${ID}`, aFile({ vetSeen: [{ markId: MARK, on: '2026-10-05' }] }));
    await click('A vet has seen it');
    expect(api.sent.some((s) => s.method === 'PUT' && s.path === `/dogs/${ID}/marks/${MARK}/vet`)).toBeTrue();
    expect(text()).not.toContain('Show it');
    expect(text()).toContain('A vet saw it by Monday 5 October');
  });

  it('puts a dog away and takes that back', async () => {
    await open(aFile());
    await click('Put away');
    expect(text()).toContain('Moss is put away');
    await click('Undo');
    expect(api.sent.filter((s) => s.path.endsWith('/archived')).map((s) => s.method)).toEqual(['PUT', 'DELETE']);
    expect(text()).not.toContain('Undo');
  });

  it('ends a bite with the lead’s word, says so, and takes the word back', async () => {
    const dog = { ...aFile().dog, warned: { what: 'bit' as const, on: '2025-03-01' } };
    const path = `/dogs/${ID}/bite-ended`;
    await open(aFile({ dog }));
    expect(text()).toContain('Moss bit somebody while handled (1 March 2025): a bite risk until the lead says otherwise.');
    api.answer(`GET /dogs/${ID}`, aFile({ dog: { ...dog, biteEndedOn: '2026-11-25' } }));
    await click('It no longer counts: my word');
    expect(api.bodies('PUT', path).length).toBe(1);
    expect(text()).toContain('The lead’s word of Wednesday 25 November');
    expect(text()).not.toContain('a bite risk until');
    await click('Undo');
    expect(api.bodies('PUT', path).at(-1)).toEqual({ on: null });
  });

  it('offers no visit for a dog that is put away or read elsewhere', async () => {
    await open(aFile({ archived: true, mergedInto: OTHER }));
    expect(text()).not.toContain('Book a visit');
    expect(text()).toContain('This dog was put away');
    expect(text()).toContain('read as part of');
  });

  it('adds a card with who said it, takes one away, and puts it back', async () => {
    await open(aFile());
    await click('Add the card');
    expect(text()).toContain('Write what you saw.');
    typeInto(host(), 'text', 'Stands on a mat.');
    typeInto(host(), 'saidBy', 'Perpetua Glain');
    api.answer(`POST /dogs/${ID}/notes`, { id: NOTE });
    await click('Add the card');
    expect(api.bodies('POST', `/dogs/${ID}/notes`)).toEqual([{ kind: 'works', text: 'Stands on a mat.', saidBy: 'Perpetua Glain' }]);
    const gone = { kind: 'works', text: 'A hand first.', saidBy: 'Odette Marrow' };
    api.answer(`DELETE /dogs/${ID}/notes`, gone);
    await click('Take away: A hand first.');
    await click('Undo');
    expect(api.bodies('POST', `/dogs/${ID}/notes`).at(-1)).toEqual(gone);
  });

  it('finds the other file of a dog, joins it, and takes it out again', async () => {
    api.answer('GET /dogs?archived=1&search=mos', {
      dogs: [
        {
          dogId: ID,
          name: 'Moss',
          owner: 'Perpetua Glain',
          born: '2021-06-01',
          coat: 'curly',
          weightKg: 16,
          lastVisit: null,
          archived: false,
          phone: '',
        },
        {
          dogId: OTHER,
          name: 'Moss',
          owner: 'P. Glain',
          born: '2021-06-01',
          coat: 'curly',
          weightKg: 16,
          lastVisit: null,
          archived: false,
          phone: '1',
        },
      ],
    });
    await open(aFile());
    await click('In here twice?');
    typeInto(host(), 'other', 'mos');
    await until(fixture, () => host().querySelectorAll('[aria-label^="Same dog"]').length > 0);
    expect(host().querySelectorAll('[aria-label^="Same dog"]').length).toBe(1);
    api.answer(`GET /dogs/${ID}`, aFile({ merged: [{ dogId: OTHER, name: 'Moss', owner: 'P. Glain' }] }));
    await click('Same dog: Moss, P. Glain');
    expect(api.bodies('POST', `/dogs/${ID}/merged`)).toEqual([{ other: OTHER }]);
    await click('Take it out again');
    expect(api.sent.at(-2)).toEqual(jasmine.objectContaining({ method: 'DELETE', path: `/dogs/${ID}/merged/${OTHER}` }));
  });

  it('says why a picture is not taken, before it is sent when it is too large', async () => {
    await open(aFile());
    const field = host().querySelector<HTMLInputElement>('input[type=file]')!;
    const choose = async (file: File): Promise<void> => {
      const list = new DataTransfer();
      list.items.add(file);
      field.files = list.files;
      field.dispatchEvent(new Event('change'));
      await settle(fixture);
    };
    await choose(new File([new Uint8Array(11 * 1024 * 1024)], 'large.jpg'));
    expect(text()).toContain('This picture has 11 MB; at most 10 MB.');
    expect(api.sent.some((s) => s.path.endsWith('/photos'))).toBeFalse();
    api.refuse(`POST /dogs/${ID}/photos`, { code: 'bad_picture', title: 'This picture cannot be taken.', detail: 'Take it again.' });
    await choose(new File(['x'], 'broken.jpg'));
    expect(text()).toContain('This picture cannot be taken. Take it again.');
  });
});
