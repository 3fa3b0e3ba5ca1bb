import { TestBed } from '@angular/core/testing';
import { LiveService, OPEN_STREAM } from './live.service';

const VISIT = '01900000-0000-7000-8000-000000000001';

/** A stream as far as it is asked of one. */
class Stream extends EventTarget {
  readonly CLOSED = 2;
  readyState = 0;
  close(): void {
    this.readyState = 2;
  }
  says(type: string, data = '{}'): void {
    if (type === 'open') this.readyState = 1;
    this.dispatchEvent(new MessageEvent(type, { data }));
  }
  /** The server answered with something that is no stream. */
  ends(): void {
    this.readyState = 2;
    this.dispatchEvent(new Event('error'));
  }
}

describe('LiveService', () => {
  let streams: Stream[];
  let heard: (string | undefined)[];
  let end: () => void;
  const last = (): Stream => streams.at(-1)!;
  beforeEach(() => {
    jasmine.clock().install();
    streams = [];
    heard = [];
    const open = (): EventSource => {
      streams.push(new Stream());
      return last() as unknown as EventSource;
    };
    TestBed.configureTestingModule({ providers: [{ provide: OPEN_STREAM, useValue: open }] });
    const listening = TestBed.inject(LiveService).changes$.subscribe((id) => heard.push(id));
    end = () => listening.unsubscribe();
  });
  afterEach(() => {
    end();
    jasmine.clock().uninstall();
  });

  it('tells which visit has grown, and after a gap that everything is worth a look', () => {
    last().says('open');
    last().says('visit', JSON.stringify({ visitId: VISIT }));
    last().says('visit', '{"visitId": 3}');
    last().says('open');
    last().says('again');
    expect(heard).toEqual([VISIT, undefined, undefined]);
  });
  it('lets the browser come back by itself after a cut', () => {
    last().says('open');
    last().dispatchEvent(new Event('error'));
    jasmine.clock().tick(60_000);
    expect(streams.length).toBe(1);
  });
  it('opens a new stream after one that ended for good, again and again, and has everything looked at meanwhile', () => {
    last().says('open');
    last().ends();
    jasmine.clock().tick(1000);
    expect([streams.length, heard.length]).toEqual([2, 1]);
    last().ends();
    jasmine.clock().tick(1999);
    expect(streams.length).toBe(2);
    jasmine.clock().tick(1);
    expect([streams.length, heard.length]).toEqual([3, 2]);
    last().says('open');
    last().says('visit', JSON.stringify({ visitId: VISIT }));
    expect(heard.slice(2)).toEqual([undefined, VISIT]);
  });
  it('never waits longer than half a minute, and waits for nothing when nobody listens', () => {
    for (let n = 0; n < 9; n++) {
      last().ends();
      jasmine.clock().tick(30_000);
    }
    expect(streams.length).toBe(10);
    last().ends();
    end();
    jasmine.clock().tick(60_000);
    expect(streams.length).toBe(10);
  });
});
