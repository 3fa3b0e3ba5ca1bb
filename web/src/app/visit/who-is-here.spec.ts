import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { Subject } from 'rxjs';
import type { HereLine } from '@mansuet/core/contract';
import { ClockService } from '../server/clock.service';
import { LiveService } from '../server/live.service';
import { FakeApi } from '../testing/fake-api';
import { deviceName } from '../this-device/device-name';
import { VisitStore } from './visit-store';
import { WhoIsHere } from './who-is-here';

const [VISIT, OTHER] = ['01900000-0000-7000-8000-000000000001', '01900000-0000-7000-8000-000000000002'];
const [RAFAEL, TOMASZ] = ['01900000-0000-7000-8000-00000000000a', '01900000-0000-7000-8000-00000000000b'];

describe('WhoIsHere', () => {
  let here: Subject<HereLine>;
  let api: FakeApi;
  const nowMs = signal(0);
  const visitId = signal(VISIT);
  let who: WhoIsHere;

  beforeEach(() => {
    here = new Subject();
    api = new FakeApi();
    nowMs.set(1_000_000);
    visitId.set(VISIT);
    TestBed.configureTestingModule({
      providers: [
        WhoIsHere,
        api.provider(),
        { provide: LiveService, useValue: { here$: here } },
        { provide: ClockService, useValue: { now: () => nowMs(), nowMs } },
        {
          provide: VisitStore,
          useValue: {
            visitId,
            staff: () => [
              { staffId: RAFAEL, name: 'Rafael' },
              { staffId: TOMASZ, name: 'Tomasz' },
            ],
          },
        },
      ],
    });
    who = TestBed.inject(WhoIsHere);
    TestBed.tick();
  });
  const said = (): [string, boolean][] => api.sent.map((s) => [s.path, (s.body as { leaves: boolean }).leaves]);
  const line = (staffId: string, device: string, more: Partial<HereLine> = {}): void =>
    here.next({ visitId: VISIT, staffId, device, leaves: false, ...more });

  it('names who has the same visit open on another device, until they leave it or are heard no more', () => {
    line(TOMASZ, 'tablet');
    line(RAFAEL, deviceName());
    line(RAFAEL, 'desk', { visitId: OTHER });
    expect(who.others()).toEqual(['Tomasz']);
    line(RAFAEL, 'desk');
    line(RAFAEL, 'phone');
    expect(who.others()).toEqual(['Rafael', 'Tomasz']);
    line(TOMASZ, 'tablet', { leaves: true });
    expect(who.others()).toEqual(['Rafael']);
    nowMs.update((t) => t + 30_000);
    expect(who.others()).toEqual([]);
  });

  it('says that it is here, answers who comes later, and says that it leaves', () => {
    expect(said()).toEqual([[`/visits/${VISIT}/here`, false]]);
    line(TOMASZ, 'tablet');
    line(TOMASZ, 'tablet');
    expect(said().length).toBe(2);
    visitId.set(OTHER);
    TestBed.tick();
    expect(said().slice(2)).toEqual([
      [`/visits/${VISIT}/here`, true],
      [`/visits/${OTHER}/here`, false],
    ]);
    TestBed.resetTestingModule();
    expect(said().at(-1)).toEqual([`/visits/${OTHER}/here`, true]);
  });
});
