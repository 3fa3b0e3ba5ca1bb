import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Notice } from '../controls/notice';
import { VisitStore } from './visit-store';

/** What is matted on one side is asked about on the other, before a plan counts as complete; gone once a hand was there. */
@Component({
  selector: 'man-other-side',
  imports: [Notice, RouterLink],
  template: `@if (store.mirrorsOpen(); as where) {
    <man-notice kind="warn">
      <span i18n="@@otherSide.notFelt">Matted on one side, and nobody felt the other: {{ where }}. What is planned may change.</span>
      <a [routerLink]="['/visits', store.visitId(), 'feel_over']" i18n="@@otherSide.feel">Feel it first</a>
    </man-notice>
  }`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class OtherSide {
  protected readonly store = inject(VisitStore);
}
