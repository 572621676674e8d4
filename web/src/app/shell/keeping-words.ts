import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Button } from 'primeng/button';
import { BackupsStore } from '../data/backups.store';

/** What should be known of the workshop's file and its backups, in every room, until it is read or put right. */
@Component({
  selector: 'ma-keeping-words',
  imports: [Button, RouterLink],
  template: `
    @for (sentence of sentences(); track sentence) {
      <div role="alert">
        <p>{{ sentence }}</p>
        <a routerLink="/settings" fragment="backups">Backups</a>
        <p-button
          label="I have read it"
          size="small"
          severity="secondary"
          [text]="true"
          (onClick)="lay(sentence)"
        />
      </div>
    }
  `,
  styles: `
    div {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.2rem 1rem;
      padding: 0.2rem 1rem;
      background: var(--accent-wash);
      color: var(--ink);
      border-bottom: 2px solid var(--accent);
    }
    p {
      margin: 0;
      flex: 1 1 20rem;
    }
    a {
      color: inherit;
      font-weight: 700;
      padding: 0.6rem 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class KeepingWords {
  private readonly list = toSignal(inject(BackupsStore).list$);
  /** Read already, on this page. */
  private readonly laid = signal<ReadonlySet<string>>(new Set());
  protected readonly sentences = computed(() => {
    const { told = [], trouble } = this.list() ?? {};
    return [...told, ...(trouble === undefined ? [] : [trouble])].filter((each) => !this.laid().has(each));
  });

  protected lay(sentence: string): void {
    this.laid.update((read) => new Set([...read, sentence]));
  }
}
