import { ChangeDetectionStrategy, Component, ElementRef, effect, inject } from '@angular/core';
import { BodyMap } from '../body-map/body-map';
import { KeyHint } from '../controls/key-hint';
import { VisitStore } from '../visit/visit-store';
import { PlaceHere } from './place-here';
import { TableStore } from './table-store';

/** Where the hands are on the dog, and how far the way home is. */
@Component({
  selector: 'man-where-card',
  imports: [KeyHint, BodyMap],
  template: `<man-body-map
      [paint]="table.paint()"
      [look]="visit.dog()"
      [onLit]="true"
      [walks]="true"
      (picked)="here.at($event)"
      (touched)="here.at($event.zone, $event)"
    />
    <p class="home">
      @if (table.home(); as h) {
        @if (h.minutes > 0) {
          <b i18n="@@table.home">About {{ h.minutes }} min to a safe end.</b>
        }
        <span class="small">{{ h.says }}</span>
      } @else {
        <span class="quiet small" i18n="@@where.touch">Touch a place: found now, it stops here, an incident.</span>
      }
    </p>
    <div class="row tools">
      <button type="button" class="plain" (click)="table.slip.set('incident')" i18n="@@table.incident">
        Incident <man-key of="table.incident" />
      </button>
      <button type="button" class="plain" (click)="table.slip.set('note')" i18n="@@table.remark">Remark <man-key of="table.note" /></button>
      <button type="button" class="plain" (click)="table.slip.set('photo')" i18n="@@table.photo">Photo <man-key of="table.photo" /></button>
    </div>`,
  styleUrl: './where-card.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhereCard {
  protected readonly table = inject(TableStore);
  protected readonly visit = inject(VisitStore);
  protected readonly here = inject(PlaceHere);

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    effect(() => {
      if (this.table.mapAsked() > 0) host.querySelector<SVGElement>('[role=treeitem][tabindex="0"]')?.focus();
    });
  }
}
