import { ChangeDetectionStrategy, Component, effect, inject, input, signal, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import type { Stored } from '@mellow-anvil/contract';
import type { Abrasive } from '@mellow-anvil/core';
import { contentOf } from '../shared/collection.store';
import { sentencesFor, sentencesOf, type Sentences } from '../shared/checks';
import { Notices } from '../shared/notices';
import { told } from '../shared/problem';
import { AbrasivesStore } from './abrasives.store';
import { usualStone } from './stone-draft';
import { StoneFields } from './stone-fields';
import { StoneGlyph } from './stone-glyph';

/** One abrasive: added, changed or taken off the bench. */
@Component({
  selector: 'ma-stone',
  imports: [Button, ButtonDirective, RouterLink, StoneFields, StoneGlyph],
  template: `
    <form ngNoForm class="room" (submit)="$event.preventDefault(); keep()">
      <header>
        <ma-stone-glyph [kind]="draft().kind" [lubricant]="draft().lubricant" />
        <h1>{{ stored() ? stored()!.name : 'An abrasive for the bench' }}</h1>
      </header>
      <ma-stone-fields [(draft)]="draft" [sentences]="sentences()" />
      @if (refusal()) {
        <p class="sentence-error" role="alert">{{ refusal() }}</p>
      }
      <div class="actions">
        <p-button type="submit" [label]="stored() ? 'Keep the change' : 'Put it on the rail'" />
        <a pButton routerLink="/stones" severity="secondary" [text]="true">Back to the stones</a>
        @if (stored()) {
          <p-button label="Take off the bench" severity="secondary" [outlined]="true" (onClick)="remove()" />
        }
      </div>
    </form>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StonePage {
  readonly id = input<string>();
  private readonly abrasives = inject(AbrasivesStore);
  private readonly router = inject(Router);
  private readonly notices = inject(Notices);
  private readonly all = toSignal(this.abrasives.items$, { initialValue: [] });

  protected readonly stored = signal<Stored<Abrasive> | undefined>(undefined);
  protected readonly draft = signal<Abrasive>(usualStone());
  protected readonly sentences = signal<Sentences>({});
  protected readonly refusal = signal('');

  constructor() {
    effect(() => {
      const found = this.all().find(({ id }) => id === this.id());
      untracked(() => {
        if (!found || found.version === this.stored()?.version) return;
        this.stored.set(found);
        this.draft.set(contentOf<Abrasive>(found));
      });
    });
  }

  protected async keep(): Promise<void> {
    const sentences = await sentencesFor('abrasiveSchema', this.draft());
    this.sentences.set(sentences);
    this.refusal.set(Object.keys(sentences).length > 0 ? 'Not kept yet: change what is marked above.' : '');
    if (this.refusal()) return;
    const stored = this.stored();
    const sending = stored
      ? this.abrasives.change(stored.id, stored.version, this.draft())
      : this.abrasives.create(this.draft());
    sending.subscribe({
      next: ({ name }) => {
        this.notices.done(`${name} is on the rail.`);
        void this.router.navigate(['/stones']);
      },
      error: (reason: unknown) => {
        const { detail, fields } = told(reason);
        this.sentences.set(sentencesOf(fields));
        this.refusal.set(detail);
      },
    });
  }

  protected remove(): void {
    const stored = this.stored();
    if (!stored) return;
    this.abrasives.remove(stored).subscribe({
      next: () => {
        this.notices.done(`${stored.name} is off the bench. Undo brings it back.`);
        void this.router.navigate(['/stones']);
      },
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }
}
