import { Injectable, InjectionToken, inject, signal } from '@angular/core';

/** Makes sound; `undefined` where the browser has none. Specs give their own. */
export const AUDIO = new InjectionToken<() => AudioContext | undefined>('audio', {
  providedIn: 'root',
  factory: () => () => (typeof AudioContext === 'undefined' ? undefined : new AudioContext()),
});

const KEPT = 'mansuet.quiet';
/** Two soft tones, well below what makes a dog start. Our default. */
const TONES_HZ: readonly number[] = [523, 659];
const TONE_SECONDS = 0.35;
const LOUDNESS = 0.08;

/** Says by two soft tones that a clock has run out, for hands that do not look. It can be switched off; the device keeps that. */
@Injectable({ providedIn: 'root' })
export class Chime {
  private readonly make = inject(AUDIO);
  private context: AudioContext | undefined;
  private readonly isOn = signal(localStorage.getItem(KEPT) === null);
  readonly on = this.isOn.asReadonly();

  switchOn(on: boolean): void {
    this.isOn.set(on);
    if (on) localStorage.removeItem(KEPT);
    else localStorage.setItem(KEPT, 'yes');
  }

  /** Within a tap, since a browser gives sound to nobody else. */
  ready(): void {
    if (this.isOn()) this.context ??= this.make();
  }

  ring(): void {
    const { context } = this;
    if (!this.isOn() || !context) return;
    TONES_HZ.forEach((hertz, i) => {
      const at = context.currentTime + i * TONE_SECONDS;
      const [tone, loudness] = [context.createOscillator(), context.createGain()];
      tone.frequency.value = hertz;
      loudness.gain.setValueAtTime(LOUDNESS, at);
      loudness.gain.exponentialRampToValueAtTime(LOUDNESS / 100, at + TONE_SECONDS);
      tone.connect(loudness).connect(context.destination);
      tone.start(at);
      tone.stop(at + TONE_SECONDS);
    });
  }
}
