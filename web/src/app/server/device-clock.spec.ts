import { TestBed } from '@angular/core/testing';
import { DeviceClock } from './device-clock';
import { NOW } from './now';

describe('DeviceClock', () => {
  let at: number;
  const start = (): DeviceClock => {
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [{ provide: NOW, useValue: () => at }] });
    return TestBed.inject(DeviceClock);
  };
  /** An answer that took so long, from a server whose clock is so far ahead. */
  const answer = (clock: DeviceClock, aheadMs: number, tookMs: number): void => {
    const asked = at;
    at += tookMs;
    clock.look(asked, asked + tookMs / 2 + aheadMs, at);
  };

  beforeEach(() => {
    at = Date.UTC(2026, 10, 30, 9);
    localStorage.removeItem('mansuet.clock');
  });
  afterEach(() => localStorage.removeItem('mansuet.clock'));

  it('leaves a clock alone that is about right', () => {
    const clock = start();
    answer(clock, 700, 40);
    expect(clock.offsetMs()).toBe(0);
    expect(clock.now()).toBe(at);
  });

  it('puts a clock right that is an hour ahead, and keeps that for when there is no network', () => {
    answer(start(), -3_600_000, 40);
    expect(start().now()).toBe(at - 3_600_000);
  });

  it('believes the quickest answer, until the clock is set anew', () => {
    const clock = start();
    answer(clock, -3_600_000, 20);
    answer(clock, -3_599_000, 4000);
    expect(clock.offsetMs()).toBe(-3_600_000);
    answer(clock, 0, 4000);
    expect(clock.offsetMs()).toBe(0);
  });

  it('measures anew after a while, and takes nothing kept that is no measure', () => {
    const clock = start();
    answer(clock, -3_600_000, 20);
    at += 11 * 60_000;
    answer(clock, -3_600_900, 2000);
    expect(clock.offsetMs()).toBe(-3_600_900);
    localStorage.setItem('mansuet.clock', '{"offsetMs":"soon"}');
    expect(start().offsetMs()).toBe(0);
  });
});
