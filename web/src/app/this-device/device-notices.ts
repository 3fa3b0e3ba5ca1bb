import { ChangeDetectionStrategy, Component, inject, input } from '@angular/core';
import { LastingStorage } from './lasting-storage';
import { NewVersion } from './new-version';
import { PageTrouble } from './trouble-handler';

/** What there is to say of this device itself: a newer version, parts that are gone, room that runs out. */
@Component({
  selector: 'man-device-notices',
  template: `@if (trouble.says(); as what) {
      <p class="device" role="alert">
        <b i18n="@@device.trouble">Something went wrong on this screen.</b>
        <ng-container i18n="@@device.troubleWhy"> What was recorded is safe. If the screen stands still, load it anew.</ng-container>
        <span class="small"> ({{ what }})</span>
        <button type="button" class="plain" (click)="version.take()" i18n="@@device.load">Load it anew</button>
        <button type="button" class="plain" (click)="trouble.dismiss()" i18n="@@device.goOn">Go on</button>
      </p>
    }
    @if (version.broken()) {
      <p class="device" role="alert">
        <b i18n="@@device.broken">A part of this page is gone from this device.</b>
        <ng-container i18n="@@device.brokenWhy"> Entries are safe. Load it anew, with a network.</ng-container>
        <button type="button" class="plain" (click)="version.take()" i18n="@@device.load">Load it anew</button>
      </p>
    } @else if (version.ready()) {
      <p class="device" role="status">
        @if (inVisit()) {
          <ng-container i18n="@@device.newWaits">A new version is on this device. It waits until this visit is left.</ng-container>
        } @else {
          <ng-container i18n="@@device.new">A new version is on this device.</ng-container>
          <button type="button" class="plain" (click)="version.take()" i18n="@@device.take">Go on with it</button>
        }
      </p>
    }
    @if (storage.littleRoomMb() !== undefined) {
      <p class="device" role="status" i18n="@@device.room">
        Only {{ storage.littleRoomMb() }} MB are left for entries and pictures on this device. Free some space before it is full.
      </p>
    }`,
  styleUrl: './device-notices.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class DeviceNotices {
  protected readonly version = inject(NewVersion);
  protected readonly storage = inject(LastingStorage);
  protected readonly trouble = inject(PageTrouble);
  /** A visit is open: nothing is taken from under the hands. */
  readonly inVisit = input.required<boolean>();
}
