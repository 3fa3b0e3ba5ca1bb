import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { BLADES, bladeName, chooseBlade, type BladeId } from '@mansuet/core/blades';
import { findingIn, hasKind, type FeelOver, type KindFound } from '@mansuet/core/dogs';
import type { ZoneId } from '@mansuet/core/anatomy';
import { sayReason } from '@mansuet/core/reasons';

/** Touch, swap or change the blade. Blades that are banned in the lit zones say why and cannot be chosen. */
@Component({
  selector: 'man-blade-picker',
  template: `<div class="stack">
    @if (blade(); as b) {
      <h3>{{ name(b) }} on the inner wrist is</h3>
      <div class="row">
        <button type="button" class="chip" (click)="touched.emit('cool')">cool</button>
        <button type="button" class="chip" (click)="touched.emit('warm')">warm</button>
        <button type="button" class="chip" (click)="touched.emit('hot')">hot</button>
      </div>
      <button type="button" class="plain" (click)="used.emit({ blade: b, cool: true })">Swapped for a cool {{ name(b) }}</button>
    }
    <h3>Another blade</h3>
    <ul class="stack">
      @for (c of choices(); track c.id) {
        <li>
          <button
            type="button"
            class="plain pick"
            [disabled]="c.ban !== ''"
            [attr.aria-pressed]="c.id === blade()"
            (click)="used.emit({ blade: c.id, cool: false })"
          >
            <b>{{ name(c.id) }}</b><span class="small">{{ c.ban || c.mm + ' mm' }}</span>
          </button>
        </li>
      }
    </ul>
    <button type="button" class="plain" (click)="used.emit({ blade: null, cool: false })">No blade</button>
  </div>`,
  styles: `
    .pick {
      width: 100%;
      justify-content: flex-start;
      text-align: left;
    }
    .pick b {
      min-width: 48px;
    }
    .pick span {
      font-weight: 400;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class BladePicker {
  readonly blade = input<BladeId | undefined>();
  readonly zones = input<readonly ZoneId[]>([]);
  readonly feelOver = input.required<FeelOver>();
  readonly kinds = input<readonly KindFound[]>([]);
  readonly trained = input(false);
  readonly used = output<{ blade: BladeId | null; cool: boolean }>();
  readonly touched = output<'cool' | 'warm' | 'hot'>();
  protected readonly name = bladeName;

  protected readonly choices = computed(() => {
    const answers = this.zones().map((zone) => {
      const f = findingIn(this.feelOver(), zone);
      return chooseBlade({
        zone,
        matGrade: f.matGrade,
        skin: f.skin,
        wantedMm: 1.5,
        trained: this.trained(),
        thinSkin: hasKind(this.kinds(), 'thin_skin'),
        markHere: this.feelOver().marks.some((m) => m.zone === zone),
      });
    });
    return BLADES.map((b) => {
      const ban = answers.flatMap((a) => a.rejected.filter((r) => r.blade === b.id && r.because.rule !== 'blade.further_from_wanted'))[0];
      return { id: b.id, mm: b.lengthMm, ban: ban ? sayReason(ban.because) : '' };
    });
  });
}
