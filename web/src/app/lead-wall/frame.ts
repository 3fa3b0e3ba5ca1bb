import { ChangeDetectionStrategy, Component, ElementRef, computed, effect, inject, signal, untracked, viewChild } from '@angular/core';
import { takeUntilDestroyed, toSignal } from '@angular/core/rxjs-interop';
import { Title } from '@angular/platform-browser';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { distinctUntilChanged, filter, map, skip } from 'rxjs';
import { Announcer } from '../controls/announcer';
import { Keymap } from '../controls/keymap';
import { KeysList } from '../controls/keys-list';
import { OverSlip } from '../controls/over-slip';
import { currentUrl } from '../navigation/current-url';
import { MissingScreen } from '../navigation/missing-screen';
import { SessionService } from '../server/session.service';
import { DeviceNotices } from '../this-device/device-notices';
import { DeviceRights } from '../this-device/device-rights';
import { KeyRing } from '../this-device/key-ring';
import { ShiftPin } from '../this-device/shift-pin';
import { LastingStorage } from '../this-device/lasting-storage';
import { KeepDay } from '../today/keep-day';
import { TodayService } from '../today/today.service';
import { PictureBox } from '../visit-log/picture-box';
import { VisitLog } from '../visit-log/visit-log.service';
import { LeadTag } from './lead-tag';
import { RefusedEntries } from './refused-entries';
import { Words } from '../wording/words.service';

/** The frame of every screen: the lead wall on the left, the sheet on the right. At the table the wall is hidden. */
@Component({
  selector: 'man-frame',
  imports: [DeviceNotices, KeysList, ShiftPin, LeadTag, OverSlip, RefusedEntries, RouterLink, RouterLinkActive, RouterOutlet],
  templateUrl: './frame.html',
  styleUrl: './frame.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Frame {
  private readonly words = inject(Words);
  private readonly router = inject(Router);
  private readonly session = inject(SessionService);
  private readonly announcer = inject(Announcer);
  private readonly title = inject(Title);
  private readonly sheet = viewChild.required<ElementRef<HTMLElement>>('sheet');
  protected readonly keymap = inject(Keymap);
  protected readonly day = inject(TodayService);
  protected readonly log = inject(VisitLog);
  protected readonly missing = inject(MissingScreen);
  protected readonly ring = inject(KeyRing);
  private readonly rights = inject(DeviceRights);
  protected readonly pinOpen = signal(false);
  /** Whose entries wait here for whoever they belong to. */
  protected readonly held = computed(() =>
    [...this.log.held()].map(([staffId, entries]) => ({
      staffId,
      entries,
      name: this.day.today()?.staff.find((s) => s.staffId === staffId)?.name ?? $localize`:@@frame.somebody:somebody else`,
    })),
  );

  private readonly url = currentUrl();
  protected readonly atTable = computed(() => /^\/visits\/[^/]+\/work/.test(this.url()));
  protected readonly openVisit = computed(() => /^\/visits\/([^/]+)/.exec(this.url())?.[1]);
  protected readonly who = computed(() => this.session.signedIn());
  protected readonly mayManage = computed(() => this.session.may('manage_salon'));
  protected readonly roles = this.words.labels.role;
  private readonly pictures = inject(PictureBox);
  protected readonly picturesWaiting = computed(() => this.pictures.waiting().length);
  protected readonly waiting = toSignal(this.log.waiting$, { initialValue: 0 });

  protected readonly here = computed(() => `${this.url()}#sheet`);

  constructor() {
    inject(KeepDay);
    void inject(LastingStorage).ask();
    // Asked for where nothing showed it, such as at the door.
    this.keymap.listOpen.set(false);
    // Locked here or in another tab: nothing of the salon stays on the screen.
    effect(() => {
      if (this.ring.locked()) void this.router.navigate(['/locked'], { queryParams: { to: untracked(this.url) } });
    });
    // A new screen is told, and whoever goes by keys stands at its beginning, not where the last one was.
    this.router.events
      .pipe(
        filter((e) => e instanceof NavigationEnd),
        map((e) => e.urlAfterRedirects.split(/[?#]/)[0]),
        distinctUntilChanged(),
        skip(1),
        takeUntilDestroyed(),
      )
      .subscribe(() => {
        this.keymap.listOpen.set(false);
        this.sheet().nativeElement.focus({ preventScroll: true });
        this.announcer.say(this.title.getTitle());
      });
  }

  protected toSheet(event: Event): void {
    event.preventDefault();
    this.sheet().nativeElement.focus();
  }

  protected async signOut(): Promise<void> {
    const staffId = this.who()?.staff.staffId;
    await this.log.flush();
    // Where nothing of this person waits here, the right to send it is given back.
    if (staffId !== undefined && !(await this.log.waitsOf(staffId))) await this.rights.giveBack(staffId);
    await this.session.signOut();
    // Entries that wait stay; what was only read does not stay for the next person. A fresh page holds nothing in memory.
    await this.log.forgetWhatWasRead();
    window.location.assign('/sign-in');
  }
}
