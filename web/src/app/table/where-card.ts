import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { BodyMap } from '../body-map/body-map';
import { KeyHint } from '../controls/key-hint';
import { VisitStore } from '../visit/visit-store';
import { TableStore } from './table-store';

/** Where the hands are on the dog, and how far the way home is. */
@Component({
  selector: 'man-where-card',
  imports: [KeyHint, BodyMap],
  template: `<man-body-map [paint]="table.paint()" [look]="visit.dog()" [still]="true" [compact]="true" />
    @if (table.home(); as h) {
      <p class="home">
        @if (h.minutes > 0) {
          <b i18n="@@table.home">About {{ h.minutes }} min to a safe end.</b>
        }
        <span class="small">{{ h.says }}</span>
      </p>
    }
    <div class="row tools">
      <button type="button" class="plain" (click)="table.slip.set('incident')" i18n="@@table.incident">
        Incident <man-key of="table.incident" />
      </button>
      <button type="button" class="plain" (click)="table.slip.set('note')" i18n="@@table.remark">Remark <man-key of="table.note" /></button>
    </div>`,
  styleUrl: './where-card.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class WhereCard {
  protected readonly table = inject(TableStore);
  protected readonly visit = inject(VisitStore);
}
