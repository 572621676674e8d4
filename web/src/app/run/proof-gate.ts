import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  computed,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { Button } from 'primeng/button';
import type { Subscription } from 'rxjs';
import { newtonsOf, type Proof, type ProofTest } from '@mellow-anvil/core/record';
import { edgeWord, forceWord, type ProofFigures } from '@mellow-anvil/core/run';
import { Figures } from '../ui/figures';
import { QuantityField } from '../ui/quantity-field';
import { hasSerial } from '../platform/serial';
import { serialForce, simulatedTester, type ForceSource } from '../platform/force-source';
import { PROOF_WORDS } from '../words/station-words';

const BESIDE = {
  low: 'among this tool’s lowest',
  usual: 'as this tool usually needs',
  high: 'more than this tool ever needed',
} as const;

export type Proved = { readonly test: ProofTest; readonly passed: boolean } & ProofFigures;

/** How the edge proves itself: each test in one tap, and in another when it was the wrong one; figures where there are any. */
@Component({
  selector: 'ma-proof-gate',
  imports: [Button, QuantityField],
  templateUrl: './proof-gate.html',
  styleUrl: './proof-gate.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ProofGate {
  readonly proof = input.required<readonly Proof[]>();
  /** How it stood last time, in words. */
  readonly before = input('');
  /** What this tool has needed to part a thread before, N. */
  readonly forces = input<readonly number[]>([]);
  /** It takes shavings: a plane’s iron. */
  readonly planes = input(false);
  readonly proved = output<Proved>();
  private readonly figures = inject(Figures);
  protected readonly serial = hasSerial();
  protected readonly thick = signal<number | undefined>(undefined);
  protected readonly wide = signal<number | undefined>(undefined);
  protected readonly listening = signal(false);
  private readonly trouble = signal('');
  private source: Subscription | undefined;
  protected readonly tests = computed(() =>
    PROOF_WORDS.map((words) => ({
      ...words,
      passed: this.proof().find(({ test }) => test === words.test)?.passed,
    })),
  );
  protected readonly word = computed(() => {
    const word = edgeWord(this.proof(), this.forces());
    return word && word.charAt(0).toUpperCase() + word.slice(1);
  });
  protected readonly forceSays = computed(() => {
    const thread = this.proof().find(({ test }) => test === 'force');
    const newtons = thread && newtonsOf(thread);
    if (this.trouble()) return this.trouble();
    if (newtons === undefined)
      return 'Held against what this tool has needed before; newtons, a number a line.';
    const beside = forceWord(newtons, this.forces());
    return `${this.figures.number(newtons, 2)} N: ${beside === undefined ? 'kept, to hold the next ones against' : BESIDE[beside]}`;
  });

  constructor() {
    inject(DestroyRef).onDestroy(() => this.source?.unsubscribe());
  }

  protected shave(passed: boolean): void {
    const [thickMm, wideMm] = [this.thick(), this.wide()];
    const told = (mm: number | undefined): mm is number => mm !== undefined && mm > 0;
    this.proved.emit({
      test: 'shaving',
      passed,
      ...(told(thickMm) && { thickMm }),
      ...(told(wideMm) && { wideMm }),
    });
  }

  protected simulate(): void {
    this.hear(simulatedTester());
  }

  protected listen(): void {
    this.hear(serialForce());
  }

  private hear({ lines$ }: ForceSource): void {
    this.source?.unsubscribe();
    this.trouble.set('');
    this.listening.set(true);
    this.source = lines$.subscribe({
      next: (line) => {
        if (!line.ok) return;
        const { newtons } = line;
        this.proved.emit({ test: 'force', passed: forceWord(newtons, this.forces()) !== 'high', newtons });
      },
      error: () => {
        this.listening.set(false);
        this.trouble.set('The tester cannot be reached: choose its port again.');
      },
      complete: () => this.listening.set(false),
    });
  }
}
