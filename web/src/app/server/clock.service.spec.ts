import { TestBed } from '@angular/core/testing';
import { ClockService } from './clock.service';
import { NOW } from './now';

describe('ClockService', () => {
  let at: number;
  let clock: ClockService;

  beforeEach(() => {
    jasmine.clock().install();
    at = Date.UTC(2026, 10, 30, 10, 59, 59, 500);
    TestBed.configureTestingModule({ providers: [{ provide: NOW, useValue: () => at }] });
    clock = TestBed.inject(ClockService);
    clock.zone.set('Pacific/Auckland');
  });
  afterEach(() => jasmine.clock().uninstall());

  it('gives the day of the salon, and the next one after its midnight', () => {
    expect(clock.today()).toBe('2026-11-30');
    at += 500;
    expect(clock.today()).toBe('2026-12-01');
  });
  it('ticks once a second, until it is no longer needed', () => {
    at += 1000;
    expect(clock.nowMs()).toBe(at - 1000);
    jasmine.clock().tick(1000);
    expect(clock.nowMs()).toBe(at);
    TestBed.resetTestingModule();
    at += 1000;
    jasmine.clock().tick(5000);
    expect(clock.nowMs()).toBe(at - 1000);
  });
});
