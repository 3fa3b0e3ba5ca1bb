import { ChangeDetectionStrategy, Component, inject, input, signal } from '@angular/core';
import { Notice } from '../controls/notice';
import { DevicesService } from './devices.service';
import { SIMULATED_PEDAL_KEY } from './simulated-pedal';

/** What is set on a simulated device before it is sent. */
interface Slider {
  readonly id: 'scale' | 'caliper' | 'thermometer';
  readonly label: string;
  readonly unit: string;
  readonly min: number;
  readonly max: number;
}
const SLIDERS: readonly Slider[] = [
  { id: 'scale', label: $localize`:@@device.scale:Scale`, unit: 'kg', min: 0.5, max: 90 },
  { id: 'caliper', label: $localize`:@@device.caliper:Caliper`, unit: 'mm', min: 1, max: 60 },
  { id: 'thermometer', label: $localize`:@@device.thermometer:Thermometer`, unit: 'C', min: 15, max: 60 },
];
const WHY: Readonly<Record<'no_such_way' | 'none_chosen' | 'failed', string>> = {
  no_such_way: $localize`:@@device.noWay:This browser cannot do that. Type the measure instead.`,
  none_chosen: '',
  failed: $localize`:@@device.failed:It did not answer. Is it switched on, and not joined to something else? Try again.`,
};

/** Devices: real ones are joined here; a scale, a caliper, a thermometer and a pedal stand in for them, set a value, send it. */
@Component({
  selector: 'man-stand-ins',
  imports: [Notice],
  template: `<details [open]="open()">
    <summary i18n="@@device.title">Devices: scale, caliper, thermometer, pedal</summary>
    <div class="row">
      <button type="button" class="plain" (click)="join('serial')" i18n="@@device.cable">Join one by cable</button>
      <button type="button" class="plain" (click)="join('bluetooth')" i18n="@@device.radio">Join one without a cable</button>
    </div>
    <man-notice kind="warn" live="alert" [says]="trouble()" />
    @for (link of devices.joined(); track link) {
      <p>
        <b>{{ link.name }}</b>
        <button type="button" class="plain" (click)="devices.letGo(link)" i18n="@@device.letGo">Let it go</button>
      </p>
    }
    <p class="quiet small" i18n="@@device.simulated">Simulated ones, for trying out:</p>
    @for (s of sliders; track s.id) {
      <div class="device">
        <label
          >{{ s.label }}
          <input
            type="range"
            [name]="s.id"
            [min]="s.min"
            [max]="s.max"
            step="0.1"
            [value]="value(s.id)"
            #slider
            (input)="put(s.id, slider.valueAsNumber)"
        /></label>
        <output>{{ value(s.id).toFixed(1) }} {{ s.unit === 'C' ? '°C' : s.unit }}</output>
        <button type="button" class="plain" (click)="send(s)">{{ sends[s.id] }}</button>
      </div>
    }
    <div class="device">
      <span i18n="@@device.pedal">Pedal, sends {{ pedalKey }}</span>
      <span></span>
      <button type="button" class="plain" (click)="press()" i18n="@@device.press">Press the pedal</button>
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
  protected readonly devices = inject(DevicesService);
  readonly startKg = input(10);
  readonly open = input(false);
  protected readonly sliders = SLIDERS;
  protected readonly pedalKey = SIMULATED_PEDAL_KEY;
  protected readonly trouble = signal('');
  protected readonly sends: Readonly<Record<Slider['id'], string>> = {
    scale: $localize`:@@device.sendWeight:Send weight`,
    caliper: $localize`:@@device.sendMeasure:Send measure`,
    thermometer: $localize`:@@device.sendWarmth:Send temperature`,
  };
  private readonly set = signal<Readonly<Partial<Record<Slider['id'], number>>>>({});

  protected value(id: Slider['id']): number {
    return this.set()[id] ?? { scale: this.startKg(), caliper: 8, thermometer: 38 }[id];
  }
  protected put(id: Slider['id'], value: number): void {
    this.set.update((all) => ({ ...all, [id]: value }));
  }
  protected send(s: Slider): void {
    this.devices.simulated.send(`${this.value(s.id).toFixed(1)} ${s.unit}`);
  }
  /** As a pedal does that is a keyboard to the browser. */
  protected press(): void {
    document.body.dispatchEvent(new KeyboardEvent('keydown', { key: SIMULATED_PEDAL_KEY, bubbles: true }));
  }
  protected async join(way: 'serial' | 'bluetooth'): Promise<void> {
    this.trouble.set('');
    const joined = await this.devices.join(way);
    if (!joined.ok) this.trouble.set(WHY[joined.why]);
  }
}
