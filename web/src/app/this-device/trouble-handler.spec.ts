import { ErrorHandler } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { PageTrouble, TroubleHandler } from './trouble-handler';

describe('TroubleHandler', () => {
  const start = (): { handler: ErrorHandler; trouble: PageTrouble; told: jasmine.Spy } => {
    TestBed.configureTestingModule({ providers: [{ provide: ErrorHandler, useClass: TroubleHandler }] });
    return { handler: TestBed.inject(ErrorHandler), trouble: TestBed.inject(PageTrouble), told: spyOn(console, 'error') };
  };

  it('says on the screen what was caught nowhere else, and leaves it for whoever looks', () => {
    const { handler, trouble, told } = start();
    handler.handleError(new Error('the drawing broke'));
    expect(trouble.says()).toBe('the drawing broke');
    expect(told).toHaveBeenCalled();
    trouble.dismiss();
    expect(trouble.says()).toBeUndefined();
  });

  it('does not alarm anybody for what loses nothing', () => {
    const { handler, trouble } = start();
    handler.handleError(new Error('ResizeObserver loop completed with undelivered notifications.'));
    expect(trouble.says()).toBeUndefined();
  });
});
