import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** told: good to know · good: all is well · warn: harm, and the way out · vet: only a vet may act. */
export type NoticeKind = 'told' | 'good' | 'warn' | 'vet';

/** Something that is said and stays: by colour, by shape and in words. With `says` it is there only while there is something to say. */
@Component({
  selector: 'man-notice',
  template: `<svg viewBox="0 0 16 16" aria-hidden="true">
      @switch (kind()) {
        @case ('told') {
          <circle cx="8" cy="8" r="6.2" />
          <path d="M8 7.4v4M8 4.4v.4" />
        }
        @case ('good') {
          <path d="M2.5 8.5l4 4 7-9" />
        }
        @case ('warn') {
          <path d="M8 1.8L15 14H1z" />
          <path d="M8 6.4v3.6M8 12v.3" />
        }
        @case ('vet') {
          <path d="M5.4 1.5h5.2l3.9 3.9v5.2l-3.9 3.9H5.4l-3.9-3.9V5.4z" />
          <path d="M8 4.6v6.8M4.6 8h6.8" />
        }
      }
    </svg>
    <div class="text">{{ says() }}<ng-content /></div>`,
  styleUrl: './notice.less',
  host: { '[class]': 'kind()', '[hidden]': "says() === ''", '[attr.role]': "live() === 'off' ? null : live()" },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Notice {
  readonly kind = input<NoticeKind>('told');
  /** How it is said to who cannot see it: at once, when there is time, or only when it is read. */
  readonly live = input<'off' | 'status' | 'alert'>('off');
  readonly says = input<string | undefined>();
}
