import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import type { Choice } from '../controls/choice';
import { ChoiceGroup } from '../controls/choice-group';
import { VisitStore } from '../visit/visit-store';
import { WhoIsHere } from '../visit/who-is-here';
import { Recorder } from './recorder';
import { TableStore } from './table-store';

/** Who takes the dog: one tap, and the minutes are theirs from then on. */
@Component({
  selector: 'man-hands-slip',
  imports: [ChoiceGroup],
  template: `<man-choice
      label="Hands"
      i18n-label="@@hands.label"
      layout="list"
      size="big"
      [of]="people()"
      [value]="has()"
      (chosen)="give($event)"
    />
    <p class="quiet small" i18n="@@hands.minutes">
      A hand stays on the dog while it changes hands. Minutes from now on belong to whoever has it.
    </p>`,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandsSlip {
  private readonly visit = inject(VisitStore);
  private readonly here = inject(WhoIsHere);
  private readonly recorder = inject(Recorder);
  private readonly table = inject(TableStore);

  protected readonly has = computed(() => this.visit.state().handsId);
  protected readonly people = computed<readonly Choice<string>[]>(() =>
    this.visit
      .staff()
      .filter((s) => !s.left || s.staffId === this.has())
      .map(({ staffId, name }) => ({
        value: staffId,
        label: name,
        detail:
          staffId === this.has()
            ? $localize`:@@hands.has:has the dog`
            : this.here.others().includes(name)
              ? $localize`:@@hands.here:has this dog open`
              : '',
      })),
  );

  protected async give(staffId: string): Promise<void> {
    this.table.slip.set(undefined);
    const name = this.visit.staff().find((s) => s.staffId === staffId)?.name;
    if (!name || staffId === this.has()) return;
    await this.recorder.record({ type: 'hands_changed', body: { staffId } }, $localize`:@@hands.given:${name}:name: has the dog`);
  }
}
