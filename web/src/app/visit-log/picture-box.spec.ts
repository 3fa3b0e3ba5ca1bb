import { TestBed } from '@angular/core/testing';
import { FakeApi, OFFLINE } from '../testing/fake-api';
import { PictureBox } from './picture-box';
import { VISIT_DB, VisitDb } from './visit-db';

const DOG = '01900000-0000-7000-8000-000000000002';
const VISIT = '01900000-0000-7000-8000-000000000001';
const ONE = '01900000-0000-7000-8000-000000000011';
const TWO = '01900000-0000-7000-8000-000000000012';

describe('PictureBox', () => {
  let api: FakeApi;
  let box: PictureBox;
  let db: VisitDb;
  const picture = (photoId: string) => ({
    photoId,
    visitId: VISIT,
    dogId: DOG,
    kind: 'mark' as const,
    zone: 'belly' as const,
    picture: new Blob(['x']),
  });
  const kept = async (): Promise<(string | undefined)[][]> => (await db.pictures.toArray()).map((p) => [p.photoId, p.refusedWhy]);
  const forms = (): FormData[] => api.sent.flatMap((s) => (s.body instanceof FormData ? [s.body] : []));

  beforeEach(() => {
    api = new FakeApi();
    db = new VisitDb(`spec-${crypto.randomUUID()}`);
    TestBed.configureTestingModule({ providers: [...api.providers(), { provide: VISIT_DB, useValue: db }] });
    box = TestBed.inject(PictureBox);
  });
  afterEach(async () => {
    TestBed.resetTestingModule();
    await db.delete();
  });

  it('keeps a picture while nobody answers, and sends it with its id once somebody does', async () => {
    api.answerBy('POST /dogs', () => OFFLINE);
    await box.keep(picture(ONE));
    await box.flush();
    expect(await kept()).toEqual([[ONE, undefined]]);
    api.answer('POST /dogs', { id: ONE });
    await box.flush();
    expect(await kept()).toEqual([]);
    const form = forms().at(-1);
    expect(['photoId', 'visitId', 'kind', 'zone'].map((k) => form?.get(k))).toEqual([ONE, VISIT, 'mark', 'belly']);
  });

  it('keeps one that is refused with the reason, sends the others, and offers it again when somebody says so', async () => {
    api.answerBy('POST /dogs', (body) =>
      body instanceof FormData && body.get('photoId') === ONE
        ? { ok: false, failure: { kind: 'refused', problem: { type: 'x', title: 'No picture.', status: 422, code: 'bad_picture' } } }
        : { ok: true, value: { id: TWO } },
    );
    await box.keep(picture(ONE));
    await box.flush();
    await box.keep(picture(TWO));
    await box.flush();
    expect((await kept()).map(([id]) => id)).toEqual([ONE]);
    expect((await kept())[0]?.[1]).toBeTruthy();
    api.answer('POST /dogs', { id: ONE });
    await box.again(ONE);
    expect(await kept()).toEqual([]);
  });

  it('waits for a sign-in where the session has ended, and refuses nothing for it', async () => {
    api.refuse('POST /dogs', { code: 'signed_out', title: 'Sign in.', status: 401 });
    await box.keep(picture(ONE));
    await box.flush();
    expect(await kept()).toEqual([[ONE, undefined]]);
  });
});
