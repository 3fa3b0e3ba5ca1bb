import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal, output } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { POSTS_FORM, type Salon, type SalonPostOf } from '@mansuet/core/contract';
import { uuidV7 } from '@mansuet/core/log';
import { SALON_POSTS } from '@mansuet/core/words';
import { choicesOf } from '../controls/choice';
import { FormErrors } from '../controls/form-errors';
import { Notice } from '../controls/notice';
import { SelectField } from '../controls/select-field';
import { TextField } from '../controls/text-field';
import { ClockService } from '../server/clock.service';
import { Words } from '../wording/words.service';
import { KeptForm } from '../controls/kept-form';
import { SalonService } from './salon-service';

/** Tables, tubs, dryers and resting places, and the rooms they stand in. */
@Component({
  selector: 'man-posts-form',
  imports: [FormErrors, FormsModule, Notice, SelectField, TextField],
  template: `<form class="panel stack" [manErrors]="form.errors()" (ngSubmit)="keep()" novalidate>
    <p class="quiet" i18n="@@posts.why">
      What is loud in a room is heard all over it, and two dogs that must not meet are kept in two rooms: so each post stands in one.
    </p>
    @for (p of now().posts; track p.postId; let i = $index) {
      <div class="post" role="group" [attr.aria-label]="p.name || unnamed">
        <man-select label="What" i18n-label="@@posts.kind" [of]="kinds" [value]="p.kind" (chosen)="$event && set(i, { kind: $event })" />
        <man-text
          label="Name"
          i18n-label="@@posts.name"
          [name]="'post-' + i"
          [path]="'posts.' + i + '.name'"
          [most]="40"
          [value]="p.name"
          (typed)="set(i, { name: $event })"
        />
        <man-text
          label="Room"
          i18n-label="@@posts.room"
          [name]="'room-' + i"
          [path]="'posts.' + i + '.room'"
          [most]="40"
          [value]="p.room"
          (typed)="set(i, { room: $event })"
        />
        <button type="button" class="plain tiny" [attr.aria-label]="sayRemove(p)" (click)="remove(i)" i18n="@@posts.remove">Remove</button>
      </div>
    } @empty {
      <p i18n="@@posts.none">No post yet. Add your first table.</p>
    }
    <div class="row">
      @for (k of kinds; track k.value) {
        <button type="button" class="plain" (click)="add(k.value)" i18n="@@posts.add">Add a {{ k.label }}</button>
      }
    </div>
    <p class="quiet small" role="status">{{ counted() }}</p>
    <man-notice kind="warn" live="alert" [says]="form.trouble()" />
    <man-notice kind="good" live="status" [says]="form.said()" />
    <div class="row"><button type="submit" class="plain" [disabled]="form.busy()" i18n="@@posts.keep">Keep these posts</button></div>
  </form>`,
  styles: `
    .post {
      display: grid;
      grid-template-columns: repeat(3, minmax(0, 1fr)) auto;
      gap: 6px 12px;
      align-items: end;
    }
    .row {
      flex-wrap: wrap;
    }
    @media (max-width: 720px) {
      .post {
        grid-template-columns: 1fr 1fr;
        border-bottom: 1px solid var(--line);
        padding-bottom: 10px;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PostsFormPanel {
  private readonly words = inject(Words);
  private readonly salons = inject(SalonService);
  private readonly clock = inject(ClockService);
  readonly salon = input.required<Salon>();
  readonly kept = output();
  protected readonly form = new KeptForm();
  protected readonly kinds = choicesOf(SALON_POSTS, this.words.labels.salonPost);
  protected readonly unnamed = $localize`:@@posts.unnamed:A post without a name`;
  protected readonly now = linkedSignal(() => ({ posts: this.salon().posts, version: this.salon().version }));
  protected readonly counted = computed(() => {
    const rooms = new Set(
      this.now()
        .posts.map((p) => p.room.trim())
        .filter((r) => r !== ''),
    );
    const posts = SALON_POSTS.map((k) => [k, this.now().posts.filter((p) => p.kind === k).length] as const);
    const said = posts.flatMap(([k, n]) => (n > 0 ? [`${n} × ${this.words.labels.salonPost[k]}`] : []));
    return said.length > 0 ? $localize`:@@posts.counted:${this.words.list(said)}:posts:, in ${rooms.size}:rooms: rooms.` : '';
  });

  protected sayRemove(p: SalonPostOf): string {
    return $localize`:@@posts.removeName:Remove ${p.name || this.words.labels.salonPost[p.kind]}:name:`;
  }
  protected set(at: number, part: Partial<SalonPostOf>): void {
    this.now.update((n) => ({ ...n, posts: n.posts.map((p, i) => (i === at ? { ...p, ...part } : p)) }));
  }
  protected add(kind: SalonPostOf['kind']): void {
    this.now.update((n) => {
      const nr = n.posts.filter((p) => p.kind === kind).length + 1;
      const label = this.words.labels.salonPost[kind];
      const name = `${label.charAt(0).toUpperCase()}${label.slice(1)} ${nr}`;
      return {
        ...n,
        posts: [
          ...n.posts,
          { postId: uuidV7(this.clock.now(), (b) => crypto.getRandomValues(b)), kind, name, room: n.posts.at(-1)?.room ?? '' },
        ],
      };
    });
  }
  protected remove(at: number): void {
    this.now.update((n) => ({ ...n, posts: n.posts.filter((_, i) => i !== at) }));
  }
  protected async keep(): Promise<void> {
    const says = $localize`:@@posts.kept:Kept.`;
    if (await this.form.keep(POSTS_FORM, this.now(), (f) => this.salons.changePosts(f), says)) this.kept.emit();
  }
}
