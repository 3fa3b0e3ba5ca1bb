import { ChangeDetectionStrategy, Component, input } from '@angular/core';

/** What is wrong with a field, beside it. */
@Component({
  selector: 'man-field-error',
  template: `@if (message(); as m) {
    <span role="alert">{{ m }}</span>
  }`,
  styles: `
    span {
      display: block;
      color: var(--wrong);
      font-size: 14px;
      font-weight: 500;
      margin-top: 3px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FieldError {
  readonly message = input<string | undefined>();
}
