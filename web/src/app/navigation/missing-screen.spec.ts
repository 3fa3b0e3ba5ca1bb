import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { provideRouter, Router, withNavigationErrorHandler } from '@angular/router';
import { MissingScreen } from './missing-screen';

@Component({ template: '', changeDetection: ChangeDetectionStrategy.OnPush })
class Blank {}

describe('MissingScreen', () => {
  it('says which screen did not open, keeps the one before, and forgets it when it opens', async () => {
    let there = false;
    TestBed.configureTestingModule({
      providers: [
        provideRouter(
          [
            { path: 'here', component: Blank },
            {
              path: 'away',
              loadComponent: () =>
                there ? Promise.resolve(Blank) : Promise.reject(new TypeError('Failed to fetch dynamically imported module')),
            },
          ],
          withNavigationErrorHandler((error) => inject(MissingScreen).say(error)),
        ),
      ],
    });
    const [router, missing] = [TestBed.inject(Router), TestBed.inject(MissingScreen)];
    await router.navigateByUrl('/here');
    await router.navigateByUrl('/away').catch(() => undefined);
    expect([router.url, missing.url()]).toEqual(['/here', '/away']);
    there = true;
    await missing.again();
    expect([router.url, missing.url()]).toEqual(['/away', undefined]);
  });
});
