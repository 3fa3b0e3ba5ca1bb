import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { DevicesService } from './devices.service';

/** A table scale and a caliper that stand in for real ones: set a value, send it. */
@Component({
  selector: 'man-stand-ins',
  template: `<details>
    <summary>Simulated scale and caliper</summary>
    <div class="device">
      <label
        >Scale
        <input
          type="range"
          name="scale"
          min="0.5"
          max="90"
          step="0.1"
          [value]="kg() ?? startKg()"
          #scale
          (input)="kg.set(scale.valueAsNumber)"
      /></label>
      <output>{{ (kg() ?? startKg()).toFixed(1) }} kg</output>
      <button type="button" class="plain" (click)="sendScale()">Send weight</button>
    </div>
    <div class="device">
      <label
        >Caliper
        <input type="range" name="caliper" min="1" max="60" step="0.1" [value]="mm()" #caliper (input)="mm.set(caliper.valueAsNumber)"
      /></label>
      <output>{{ mm().toFixed(1) }} mm</output>
      <button type="button" class="plain" (click)="sendCaliper()">Send measure</button>
    </div>
  </details>`,
  styles: `
    summary {
      font-size: 14px;
      font-weight: 400;
      color: var(--quiet);
    }
    .device {
      display: grid;
      grid-template-columns: 1fr 70px auto;
      gap: 8px;
      align-items: center;
      margin-bottom: 6px;
    }
    input {
      width: 100%;
      height: 48px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StandIns {
  private readonly devices = inject(DevicesService);
  readonly startKg = input(10);
  protected readonly kg = signal<number | undefined>(undefined);
  protected readonly mm = signal(8);

  protected sendScale(): void {
    this.devices.receive({ device: 'scale', kg: Math.round((this.kg() ?? this.startKg()) * 10) / 10 });
  }
  protected sendCaliper(): void {
    this.devices.receive({ device: 'caliper', mm: this.mm() });
  }
}
