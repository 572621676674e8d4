import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { Button } from 'primeng/button';
import type { Proof, ProofTest } from '@mellow-anvil/core';
import { PROOF_WORDS } from './station-words';

/** How the edge proves itself: each test in one tap, and in another when it was the wrong one. */
@Component({
  selector: 'ma-proof-gate',
  imports: [Button],
  template: `
    @for (each of tests(); track each.test) {
      <div class="test" role="group" [attr.aria-label]="each.label">
        <span>
          <b>{{ each.label }}</b>
          <small>{{ each.how }}</small>
        </span>
        <p-button
          [label]="each.yes"
          styleClass="verdict"
          severity="secondary"
          [outlined]="each.passed !== true"
          (onClick)="proved.emit({ test: each.test, passed: true })"
          [pt]="{ root: { 'aria-pressed': each.passed === true } }"
        />
        <p-button
          [label]="each.no"
          styleClass="verdict"
          severity="secondary"
          [outlined]="each.passed !== false"
          (onClick)="proved.emit({ test: each.test, passed: false })"
          [pt]="{ root: { 'aria-pressed': each.passed === false } }"
        />
      </div>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 1rem;
      grid-auto-rows: minmax(92px, 1fr);
    }
    .test {
      display: grid;
      grid-template-columns: minmax(9rem, 1fr) minmax(7rem, 13rem) minmax(7rem, 13rem);
      gap: 0.8rem;
      align-items: stretch;
    }
    span {
      align-content: center;
      display: grid;
    }
    b {
      font-size: 1.6rem;
    }
    small {
      font-size: 1.05rem;
      color: var(--muted);
    }
    :host ::ng-deep .verdict {
      width: 100%;
      height: 100%;
      min-height: 92px;
      font-size: 1.5rem;
    }
    :host ::ng-deep .verdict[aria-pressed='true'] {
      background: var(--leather);
      border-color: var(--leather);
      color: var(--page);
    }
    @media (max-width: 40rem) {
      :host {
        gap: 0.5rem;
      }
      .test {
        gap: 0.4rem;
        grid-template-columns: 1fr 1fr;
      }
      .test span {
        grid-column: 1 / -1;
      }
      b {
        font-size: 1.25rem;
      }
      :host ::ng-deep .verdict {
        min-height: 70px;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProofGate {
  readonly proof = input.required<readonly Proof[]>();
  readonly proved = output<{ readonly test: ProofTest; readonly passed: boolean }>();
  protected readonly tests = computed(() =>
    PROOF_WORDS.map((words) => ({
      ...words,
      passed: this.proof().find(({ test }) => test === words.test)?.passed,
    })),
  );
}
