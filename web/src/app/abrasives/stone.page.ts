import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  untracked,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { isWheel, type Abrasive } from '@mellow-anvil/core';
import { Editor } from '../shared/editor';
import { AbrasivesStore } from './abrasives.store';
import { usualStone } from './stone-draft';
import { StoneFields } from './stone-fields';
import { StoneGlyph } from './stone-glyph';
import { WheelFields } from './wheel-fields';

/** One abrasive: added, changed or taken off the bench. */
@Component({
  selector: 'ma-stone',
  imports: [Button, ButtonDirective, RouterLink, StoneFields, StoneGlyph, WheelFields],
  template: `
    <form ngNoForm class="room" (submit)="$event.preventDefault(); keep()">
      <header>
        <ma-stone-glyph [kind]="editor.draft().kind" [lubricant]="editor.draft().lubricant" />
        <h1>{{ stored() ? stored()!.name : 'An abrasive for the bench' }}</h1>
      </header>
      <ma-stone-fields
        [draft]="editor.draft()"
        (draftChange)="editor.draft.set($event)"
        [sentences]="editor.sentences()"
      />
      @if (wheeled()) {
        <ma-wheel-fields
          [wheel]="editor.draft().wheel"
          (wheelChange)="editor.set({ wheel: $event })"
          [sentences]="editor.sentences()"
        />
      }
      @if (editor.refusal()) {
        <p class="sentence-error" role="alert">{{ editor.refusal() }}</p>
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
  private readonly all = toSignal(this.abrasives.items$, { initialValue: [] });

  protected readonly editor = new Editor<Abrasive>(this.abrasives, 'abrasiveSchema', usualStone(), 'rail');
  protected readonly stored = this.editor.stored;

  protected readonly wheeled = computed(() => isWheel(this.editor.draft()));

  constructor() {
    effect(() => {
      const found = this.all().find(({ id }) => id === this.id());
      untracked(() => this.editor.load(found));
    });
  }

  protected async keep(): Promise<void> {
    if (await this.editor.keep()) void this.router.navigate(['/stones']);
  }

  protected async remove(): Promise<void> {
    if (await this.editor.remove()) void this.router.navigate(['/stones']);
  }
}
