import { NgTemplateOutlet } from '@angular/common';
import { ChangeDetectionStrategy, Component, Directive, TemplateRef, contentChildren, inject, input } from '@angular/core';
import { NzTableModule } from 'ng-zorro-antd/table';

export interface Column {
  readonly id: string;
  readonly head: string;
}

/** How the cells of a column are drawn. */
@Directive({ selector: 'ng-template[manCell]' })
export class Cell<R> {
  readonly manCell = input.required<string>();
  /** The rows, so that the template knows what they hold. */
  readonly manCellOf = input.required<readonly R[]>();
  readonly template = inject<TemplateRef<{ $implicit: R }>>(TemplateRef);

  static ngTemplateContextGuard<R>(_cell: Cell<R>, context: unknown): context is { $implicit: R } {
    return typeof context === 'object' && context !== null && '$implicit' in context;
  }
}

/** Rows and columns with a heading that is said; wide ones scroll by finger and by keys. */
@Component({
  selector: 'man-data-table',
  imports: [NgTemplateOutlet, NzTableModule],
  template: `<div class="wide" role="region" tabindex="0" [attr.aria-label]="label()">
    <nz-table nzTemplateMode>
      <thead>
        <tr>
          @for (c of columns(); track c.id) {
            <th scope="col">{{ c.head }}</th>
          }
        </tr>
      </thead>
      <tbody>
        @for (row of rows(); track $index) {
          <tr>
            @for (c of columns(); track c.id) {
              <td>
                @if (cellOf(c.id); as t) {
                  <ng-container [ngTemplateOutlet]="t" [ngTemplateOutletContext]="{ $implicit: row }" />
                }
              </td>
            }
          </tr>
        }
      </tbody>
    </nz-table>
  </div>`,
  styleUrl: './data-table.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DataTable<R> {
  readonly label = input.required<string>();
  readonly columns = input.required<readonly Column[]>();
  readonly rows = input.required<readonly R[]>();
  private readonly cells = contentChildren<Cell<R>>(Cell);

  protected cellOf(id: string): TemplateRef<{ $implicit: R }> | undefined {
    return this.cells().find((c) => c.manCell() === id)?.template;
  }
}
