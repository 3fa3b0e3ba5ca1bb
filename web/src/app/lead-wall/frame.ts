import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NavigationEnd, Router, RouterLink, RouterLinkActive, RouterOutlet } from '@angular/router';
import { filter, map, startWith } from 'rxjs';
import { SessionService } from '../server/session.service';
import { TodayService } from '../today/today.service';
import { VISIT_DB, VisitLog } from '../visit-log/visit-log.service';
import { LeadTag } from './lead-tag';
import { Words } from '../wording/words.service';

/** The frame of every screen: the lead wall on the left, the sheet on the right. At the table the wall is hidden. */
@Component({
  selector: 'man-frame',
  imports: [RouterOutlet, RouterLink, RouterLinkActive, LeadTag],
  templateUrl: './frame.html',
  styleUrl: './frame.less',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Frame {
  private readonly words = inject(Words);
  private readonly router = inject(Router);
  private readonly session = inject(SessionService);
  private readonly db = inject(VISIT_DB);
  protected readonly day = inject(TodayService);
  protected readonly log = inject(VisitLog);

  private readonly url = toSignal(
    this.router.events.pipe(
      filter((e) => e instanceof NavigationEnd),
      map((e) => e.urlAfterRedirects),
      startWith(this.router.url),
    ),
    { initialValue: this.router.url },
  );
  protected readonly atTable = computed(() => /^\/visits\/[^/]+\/work/.test(this.url()));
  protected readonly openVisit = computed(() => /^\/visits\/([^/]+)/.exec(this.url())?.[1]);
  protected readonly who = computed(() => this.session.signedIn());
  protected readonly roles = this.words.labels.role;
  protected readonly waiting = toSignal(this.log.waiting$, { initialValue: 0 });

  protected async signOut(): Promise<void> {
    await this.session.signOut();
    // Entries that wait stay; what was only read does not stay for the next person. A fresh page holds nothing in memory.
    await this.db.answers.clear();
    window.location.assign('/sign-in');
  }
}
