import { NgTemplateOutlet } from '@angular/common';
import {
  ChangeDetectionStrategy,
  Component,
  Directive,
  TemplateRef,
  computed,
  contentChildren,
  inject,
  input,
  output,
} from '@angular/core';
import { freshId } from './choice';
import { Roving, RovingItem } from './roving';

export interface Tab<T extends string = string> {
  readonly id: T;
  readonly label: string;
  /** The key that opens it, for who cannot see it. */
  readonly key?: string;
}

/** What a tab opens. */
@Directive({ selector: 'ng-template[manTab]' })
export class TabPanel {
  readonly manTab = input.required<string>();
  readonly template = inject<TemplateRef<unknown>>(TemplateRef);
}

/** Several views of one thing, one at a time. Arrows move, Space and Enter open. */
@Component({
  selector: 'man-tabs',
  imports: [NgTemplateOutlet, Roving, RovingItem],
  template: `<div class="tabs" role="tablist" manRoving [entry]="at()" [attr.aria-label]="label()">
      @for (t of tabs(); track t.id) {
        <button
          type="button"
          role="tab"
          manRovingItem
          [id]="id + '-' + t.id"
          [attr.aria-selected]="t.id === open()"
          [attr.aria-controls]="t.id === open() ? panelId : null"
          [attr.aria-keyshortcuts]="t.key ?? null"
          (click)="opened.emit(t.id)"
        >
          {{ t.label }}
        </button>
      }
    </div>
    <ng-content />
    <div role="tabpanel" [id]="panelId" [attr.aria-labelledby]="id + '-' + open()">
      @if (panel(); as p) {
        <ng-container [ngTemplateOutlet]="p.template" />
      }
    </div>`,
  styleUrl: './tabs.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Tabs<T extends string> {
  readonly label = input.required<string>();
  readonly tabs = input.required<readonly Tab<T>[]>();
  readonly open = input.required<T>();
  readonly opened = output<T>();
  private readonly panels = contentChildren(TabPanel);
  protected readonly id = freshId('tab');
  protected readonly panelId = `${this.id}-panel`;
  protected readonly at = computed(() => this.tabs().findIndex((t) => t.id === this.open()));
  protected readonly panel = computed(() => this.panels().find((p) => p.manTab() === this.open()));
}
