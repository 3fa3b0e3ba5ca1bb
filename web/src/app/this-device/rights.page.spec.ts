import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { FakeApi } from '../testing/fake-api';
import { settle, until } from '../testing/page';
import { deviceName } from './device-name';
import { RightsPage } from './rights.page';

const GRANT = {
  grantId: '01900000-0000-4000-8000-000000000001',
  staffId: '01900000-0000-4000-8000-00000000000a',
  madeAt: '2026-11-30T22:43:00.000Z',
};

describe('devices that may send entries', () => {
  let api: FakeApi;
  let grants: object[];
  const open = async (): Promise<ComponentFixture<RightsPage>> => {
    TestBed.configureTestingModule({ providers: [...api.providers()] });
    const fixture = TestBed.createComponent(RightsPage);
    await settle(fixture);
    return fixture;
  };
  const host = (f: ComponentFixture<unknown>): HTMLElement => f.nativeElement as HTMLElement;
  beforeEach(() => {
    api = new FakeApi();
    grants = [
      { ...GRANT, name: 'Tomasz Vane', device: 'lost tablet' },
      { ...GRANT, grantId: '01900000-0000-4000-8000-000000000002', name: 'Imke Aldous', device: deviceName() },
    ];
    api.answerBy('GET /grants', () => ({ ok: true, value: { grants } }));
  });

  it('names each person, and which of them is this device', async () => {
    const rows = [...host(await open()).querySelectorAll('article')].map((a) => a.textContent ?? '');
    expect(rows.map((r) => [r.includes('Imke Aldous'), r.includes('this device'), r.includes('another device')])).toEqual([
      [true, true, false],
      [false, false, true],
    ]);
  });

  it('takes one back, and says so', async () => {
    const fixture = await open();
    api.answerBy('DELETE /grants', () => {
      grants.shift();
      return { ok: true, value: null };
    });
    host(fixture).querySelector<HTMLButtonElement>('button[aria-label^="Take back the right of another device for Tomasz Vane"]')?.click();
    await until(fixture, () => host(fixture).querySelectorAll('article').length === 1);
    expect(api.sent.filter((s) => s.method === 'DELETE').map((s) => s.path)).toEqual([`/grants/${GRANT.grantId}`]);
    expect(host(fixture).textContent).toContain('Taken back for Tomasz Vane.');
  });

  it('says that there is none, and why nothing came', async () => {
    grants = [];
    expect(host(await open()).textContent).toContain('No device has a right now.');
    TestBed.resetTestingModule();
    api.online = false;
    expect(host(await open()).textContent).toContain('The server does not answer.');
  });
});
