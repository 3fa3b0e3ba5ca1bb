import { type ComponentFixture, TestBed } from '@angular/core/testing';
import type { Running } from '@mansuet/core/contract';
import { ClockService } from '../server/clock.service';
import { FakeApi, refusal } from '../testing/fake-api';
import { buttonOf, until } from '../testing/page';
import { RunningPanel } from './running-panel';

const AT = '2026-12-02T03:00:00.000Z';
const WELL: Running = {
  parts: { backup: 'good', disk: 'good', messages: 'good', devices: 'good', trouble: 'good' },
  backup: { begunAt: AT, endedAt: AT, ok: true, says: '4 MB stored of 30 MB' },
  disk: { freeBytes: 80e9, bytes: 200e9 },
  messages: { waiting: 0, givenUp: 0, unsure: 0, waitingSince: null },
  devices: [{ device: 'a', who: 'Odette', heardAt: AT, minutesLate: 0 }],
  trouble: { errors: 0, slow: 0, slowestMs: 12, since: AT },
};

describe('how it runs', () => {
  let fixture: ComponentFixture<RunningPanel>;
  let host: HTMLElement;
  let api: FakeApi;

  beforeEach(() => {
    api = new FakeApi();
    TestBed.configureTestingModule({ providers: [api.provider()] });
    TestBed.inject(ClockService).zone.set('UTC');
  });
  async function open(known: Running): Promise<void> {
    api.answer('GET /running', known);
    fixture = TestBed.createComponent(RunningPanel);
    host = fixture.nativeElement as HTMLElement;
    await shows('GB are free');
  }
  const shows = (text: string): Promise<void> =>
    until(
      fixture,
      () => host.textContent?.replaceAll(/\s+/g, ' ').includes(text) === true,
      () => host.innerText,
    );
  const kinds = (): string[] => [...host.querySelectorAll('dd man-notice')].map((n) => n.className);

  it('is said in plain words, and nothing is asked for where all is well', async () => {
    await open(WELL);
    await shows('4 MB stored of 30 MB.');
    await shows('80 GB of 200 GB are free.');
    await shows('None waits.');
    await shows('In the last two days: 1. What is entered is here at once.');
    expect(kinds()).toEqual(['good', 'good', 'good', 'good', 'good']);
    expect(host.querySelector('dd b')).toBeNull();
  });

  it('says what to do where something is amiss, and looks again', async () => {
    await open({
      ...WELL,
      parts: { backup: 'act', disk: 'look', messages: 'act', devices: 'look', trouble: 'look' },
      backup: { begunAt: AT, endedAt: AT, ok: false, says: 'The disk is full.' },
      disk: { freeBytes: 3.2e9, bytes: 200e9 },
      messages: { waiting: 1, givenUp: 2, unsure: 0, waitingSince: AT },
      devices: [{ device: 'b', who: 'Rafael', heardAt: AT, minutesLate: 40 }],
      trouble: { errors: 1, slow: 4, slowestMs: 912, since: AT },
    });
    await shows('failed: The disk is full.');
    for (const says of ['./mansuet backup', '3.2 GB of 200 GB', 'Given up: 2', '40 min later', 'Failed unforeseen: 1.', '912 ms'])
      await shows(says);
    expect(kinds()).toEqual(['warn', 'told', 'warn', 'told', 'told']);
    expect(host.querySelectorAll('dd b').length).toBe(5);
    api.answer('GET /running', WELL);
    buttonOf(host, 'Look again').click();
    await shows('None waits.');
  });

  it('tells a demo, and a server that nobody backs up, from each other', async () => {
    const { backup: _backup, ...without } = WELL;
    await open(without);
    await shows('it is not backed up.');
    api.answer('GET /running', { ...without, parts: { ...WELL.parts, backup: 'act' } });
    buttonOf(host, 'Look again').click();
    await shows('Nobody takes backups here.');
    api.answer('GET /running', { ...WELL, backup: null, parts: { ...WELL.parts, backup: 'act' } });
    buttonOf(host, 'Look again').click();
    await shows('None was taken yet.');
  });

  it('says that it could not look', async () => {
    await open(WELL);
    api.answerBy('GET /running', () => refusal({ code: 'forbidden', title: 'Not yours.', status: 403 }));
    buttonOf(host, 'Look again').click();
    await until(
      fixture,
      () => host.querySelector('man-notice[role=alert]:not([hidden])') !== null,
      () => host.innerText,
    );
  });
});
