import { Injectable } from '@angular/core';
import { Observable, Subject } from 'rxjs';
import { Refusal } from '@mellow-anvil/core';
import type { HeavyAnswer, HeavyInput, HeavyOrder, HeavyOutput, HeavyTask } from './heavy-tasks';

/** The one gateway to the web worker: long work goes out, its answer or refusal comes back. */
@Injectable({ providedIn: 'root' })
export class HeavyWork {
  private worker: Worker | undefined;
  private orders = 0;
  private readonly answers = new Subject<HeavyAnswer>();
  private readonly broken = new Subject<Error>();

  /**
   * Works something out beside the page. Unsubscribing only stops listening.
   * @throws Refusal through the stream
   */
  run<T extends HeavyTask>(task: T, input: HeavyInput<T>): Observable<HeavyOutput<T>> {
    return new Observable((listener) => {
      const order = this.orders++;
      const listening = this.answers.subscribe((answer) => {
        if (answer.order !== order) return;
        if (answer.refusal) listener.error(new Refusal(answer.refusal.field, answer.refusal.message));
        else {
          listener.next(answer.value as HeavyOutput<T>);
          listener.complete();
        }
      });
      listening.add(this.broken.subscribe((reason) => listener.error(reason)));
      this.send({ order, task, input });
      return listening;
    });
  }

  private send(order: HeavyOrder): void {
    this.worker ??= this.begin();
    this.worker.postMessage(order);
  }

  private begin(): Worker {
    const worker = new Worker(new URL('./heavy.worker', import.meta.url), { type: 'module' });
    worker.onerror = () =>
      this.broken.next(new Error('This cannot be worked out here: load the page again.'));
    worker.onmessage = ({ data }: MessageEvent<HeavyAnswer>) => this.answers.next(data);
    return worker;
  }
}
