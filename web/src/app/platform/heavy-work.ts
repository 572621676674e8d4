import { Injectable } from '@angular/core';
import { Observable, Subject, map, of, startWith, switchAll, type MonoTypeOperatorFunction } from 'rxjs';
import { Refusal } from '@mellow-anvil/core/base';
import type { HeavyAnswer, HeavyInput, HeavyOrder, HeavyOutput, HeavyTask } from './heavy-tasks';

/** How far a heavy work has come, 0…1, and then what came of it. */
type HeavyNews<T> = { readonly share: number } | { readonly value: T };

/** Lets a work go on until somebody stops it; then this is told instead. */
export const stoppedBy =
  <S>(stopped: Observable<unknown>, instead: S): MonoTypeOperatorFunction<S> =>
  (work) =>
    stopped.pipe(
      map(() => of(instead)),
      startWith(work),
      switchAll(),
    );

/** The one gateway to the web worker: long work goes out; how far it is, then its answer or refusal, comes back. */
@Injectable({ providedIn: 'root' })
export class HeavyWork {
  private worker: Worker | undefined;
  private orders = 0;
  /** What was sent and is not answered, in order. */
  private readonly waiting = new Map<number, HeavyOrder>();
  private readonly answers = new Subject<HeavyAnswer>();
  private readonly broken = new Subject<Error>();

  /**
   * Works something out beside the page. Unsubscribing before its answer stops the work.
   * @throws Refusal through the stream
   */
  run<T extends HeavyTask>(task: T, input: HeavyInput<T>): Observable<HeavyNews<HeavyOutput<T>>> {
    return new Observable((listener) => {
      const order = this.orders++;
      const listening = this.answers.subscribe((answer) => {
        if (answer.order !== order) return;
        if ('refusal' in answer) listener.error(new Refusal(answer.refusal.field, answer.refusal.message));
        else if ('share' in answer) listener.next({ share: answer.share });
        else {
          listener.next({ value: answer.value as HeavyOutput<T> });
          listener.complete();
        }
      });
      listening.add(this.broken.subscribe((reason) => listener.error(reason)));
      listening.add(() => this.stop(order));
      this.send({ order, task, input });
      return listening;
    });
  }

  private send(order: HeavyOrder): void {
    this.waiting.set(order.order, order);
    this.worker ??= this.begin();
    this.worker.postMessage(order);
  }

  /** A work under way cannot be called off: its worker is ended, and what else waits begins anew in another. */
  private stop(order: number): void {
    if (!this.waiting.delete(order)) return;
    this.worker?.terminate();
    this.worker = undefined;
    for (const other of this.waiting.values()) this.send(other);
  }

  private begin(): Worker {
    const worker = new Worker(new URL('./heavy.worker', import.meta.url), { type: 'module' });
    worker.onerror = () => {
      this.waiting.clear();
      this.worker = undefined;
      this.broken.next(new Error('This cannot be worked out here: load the page again.'));
    };
    worker.onmessage = ({ data }: MessageEvent<HeavyAnswer>) => {
      if (!('share' in data)) this.waiting.delete(data.order);
      this.answers.next(data);
    };
    return worker;
  }
}
