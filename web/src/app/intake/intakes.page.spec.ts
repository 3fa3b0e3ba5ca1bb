import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { Router, provideRouter } from '@angular/router';
import type { OwnerLink } from '@mansuet/core/contract';
import { EMPTY_DOG } from '@mansuet/core/knowledge/dogs';
import { EMPTY_OWNER } from '../dogs/owner-fields';
import { FakeApi } from '../testing/fake-api';
import { buttonOf, settle, typeInto } from '../testing/page';
import { IntakesPage } from './intakes.page';

const LINK = '01900000-0000-7000-8000-000000000001';
const DOG = '01900000-0000-7000-8000-000000000002';
const { standingSeenMinutes: _s, biteHistory: _b, biteEndedOn: _e, ...facts } = EMPTY_DOG;
const ANSWERED: OwnerLink = {
  linkId: LINK,
  kind: 'intake',
  visitId: null,
  toName: 'Cordula Wake',
  state: 'answered',
  madeAt: '2026-11-24T10:00:00.000Z',
  expiresAt: '2030-01-01T00:00:00.000Z',
  answeredAt: '2026-11-24T12:00:00.000Z',
  intake: {
    dog: { ...facts, name: 'Pomfret', born: '2023-03-01', weightKg: 7 },
    owner: { ...EMPTY_OWNER, name: 'Cordula Wake' },
    bite: 'bitten',
    biteStory: 'When a mat was pulled.',
    groomedBefore: '',
    fears: '',
    calms: 'Humming.',
    hurtBefore: '',
  },
};

describe('IntakesPage', () => {
  let api: FakeApi;
  let fixture: ComponentFixture<IntakesPage>;
  const host = (): HTMLElement => fixture.nativeElement as HTMLElement;
  const click = async (name: string): Promise<void> => {
    buttonOf(host(), name).click();
    await settle(fixture);
  };
  beforeEach(async () => {
    api = new FakeApi();
    api.answer('GET /intakes', { links: [ANSWERED] });
    TestBed.configureTestingModule({ providers: [provideRouter([{ path: '**', children: [] }]), ...api.providers()] });
    fixture = TestBed.createComponent(IntakesPage);
    await settle(fixture);
  });

  it('sends the questions, and shows the code and the message', async () => {
    await click('Send the questions');
    expect(host().textContent).toContain('Give a name.');
    typeInto(host(), 'toName', 'Hollis Quern');
    typeInto(host(), 'toPhone', '0550 3');
    api.answer('POST /intakes', {
      linkId: LINK,
      url: 'http://127.0.0.1/o/x',
      expiresAt: ANSWERED.expiresAt,
      message: 'Tell us about your dog.',
    });
    await click('Send the questions');
    expect(api.bodies('POST', '/intakes')).toEqual([{ toName: 'Hollis Quern', phone: '0550 3' }]);
    expect(host().textContent).toContain('Tell us about your dog.');
    expect(host().querySelector('nz-qrcode canvas')).not.toBeNull();
  });

  it('shows what was written, lets it be changed, and takes it over with the cards that were left on', async () => {
    const navigate = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await click('Review');
    expect(host().textContent).toContain('Yes, teeth touched someone');
    typeInto(host(), 'kg', '7.4');
    await click('What to avoid: When a mat was pulled.');
    api.answer(`POST /intakes/${LINK}/accepted`, { id: DOG });
    await click('Take it over into a new file');
    const [body] = api.bodies('POST', `/intakes/${LINK}/accepted`);
    expect(body).toEqual(
      jasmine.objectContaining({ cards: ['calms'], dog: jasmine.objectContaining({ name: 'Pomfret', weightKg: 7.4, biteHistory: true }) }),
    );
    expect(navigate).toHaveBeenCalledWith(['/dogs', DOG]);
  });

  it('says when somebody else was faster, and sets aside what is not taken over', async () => {
    await click('Review');
    api.refuse(`POST /intakes/${LINK}/accepted`, {
      code: 'conflict',
      title: 'Somebody else has changed this.',
      detail: 'Reviewed already.',
    });
    await click('Take it over into a new file');
    expect(host().querySelector('[role=alert]')?.textContent).toContain('Reviewed already.');
    await click('Set aside');
    expect(api.sent.some((s) => s.path === `/intakes/${LINK}/set-aside`)).toBeTrue();
  });
});
