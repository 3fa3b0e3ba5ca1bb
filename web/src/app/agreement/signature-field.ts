import {
  ChangeDetectionStrategy,
  Component,
  ElementRef,
  afterNextRender,
  inject,
  output,
  signal,
  viewChild,
  DestroyRef,
} from '@angular/core';
import SignaturePad from 'signature_pad';
import { isSigned } from '@mansuet/core/agreement';
import type { Signature } from '@mansuet/core/log';

/** Points closer than this to the last one are left out: enough for a hand, small enough for the log. */
const LEAST_STEP_PX = 2;

/** A field to sign in with a finger or a pen. */
@Component({
  selector: 'man-signature-field',
  template: `<div class="field" [class.signed]="signed()">
    <canvas #pad role="img" [attr.aria-label]="signed() ? 'Signature field, signed' : 'Signature field, empty'"></canvas>
    @if (!signed()) {
      <span class="hint" aria-hidden="true">Sign here with a finger</span>
    }
    <button type="button" [disabled]="!signed()" (click)="clear()">Clear</button>
  </div>`,
  styles: `
    .field {
      position: relative;
      border: 1.5px solid var(--slate);
      border-radius: var(--radius);
      background: var(--white);
    }
    canvas {
      display: block;
      width: 100%;
      height: 130px;
      border-radius: var(--radius);
      touch-action: none;
    }
    .hint {
      position: absolute;
      left: 16px;
      bottom: 34px;
      right: 90px;
      border-bottom: 1px solid var(--line);
      color: var(--quiet);
      font-size: 14px;
      pointer-events: none;
    }
    button {
      position: absolute;
      right: 8px;
      top: 8px;
      min-height: 48px;
      padding: 2px 14px;
      border: 1px solid var(--line);
      border-radius: 8px;
      background: var(--sheet);
      font: inherit;
      cursor: pointer;
    }
    button:disabled {
      visibility: hidden;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SignatureField {
  readonly drawn = output<Signature | undefined>();
  protected readonly signed = signal(false);
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('pad');
  private pad: SignaturePad | undefined;

  constructor() {
    const destroy = inject(DestroyRef);
    afterNextRender(() => {
      const canvas = this.canvas().nativeElement;
      // Every move is taken: a browser hands out one a frame at most.
      const penColor = getComputedStyle(canvas).color;
      const pad = new SignaturePad(canvas, { minWidth: 0.8, maxWidth: 2.4, penColor, throttle: 0 });
      this.pad = pad;
      // The canvas has as many points as the screen shows; what was drawn is drawn again after the size has changed.
      // A stroke that is being drawn is let end first: drawing anew would break it off, and nobody would be told of it.
      let drawing = false;
      const fit = (): void => {
        if (drawing) return;
        const ratio = Math.max(1, window.devicePixelRatio);
        const [width, height] = [Math.round(canvas.offsetWidth * ratio), Math.round(canvas.offsetHeight * ratio)];
        if (canvas.width === width && canvas.height === height) return;
        const strokes = pad.toData();
        canvas.width = width;
        canvas.height = height;
        canvas.getContext('2d')?.scale(ratio, ratio);
        pad.fromData(strokes);
      };
      fit();
      const watch = new ResizeObserver(fit);
      watch.observe(canvas);
      const begun = (): void => void (drawing = true);
      const ended = (): void => {
        drawing = false;
        fit();
        this.tell();
      };
      pad.addEventListener('beginStroke', begun);
      pad.addEventListener('endStroke', ended);
      destroy.onDestroy(() => {
        watch.disconnect();
        pad.removeEventListener('beginStroke', begun);
        pad.removeEventListener('endStroke', ended);
        pad.off();
      });
    });
  }

  protected clear(): void {
    this.pad?.clear();
    this.tell();
  }

  private tell(): void {
    const signature = this.read();
    const signed = isSigned(signature);
    this.signed.set(signed);
    this.drawn.emit(signed ? signature : undefined);
  }

  private read(): Signature | undefined {
    const canvas = this.canvas().nativeElement;
    const width = Math.round(canvas.offsetWidth);
    const height = Math.round(canvas.offsetHeight);
    const clamp = (v: number, most: number): number => Math.min(most, Math.max(0, Math.round(v)));
    const strokes = (this.pad?.toData() ?? []).map((group) => {
      const flat: number[] = [];
      for (const p of group.points) {
        const [x, y] = [clamp(p.x, width), clamp(p.y, height)];
        const [lx, ly] = [flat.at(-2), flat.at(-1)];
        if (lx !== undefined && ly !== undefined && Math.hypot(x - lx, y - ly) < LEAST_STEP_PX) continue;
        flat.push(x, y);
      }
      return flat.slice(0, 2000);
    });
    return strokes.length > 0 ? { width, height, strokes: strokes.filter((s) => s.length >= 2).slice(0, 60) } : undefined;
  }
}
