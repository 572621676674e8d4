import { attempt, Refusal, type Tell } from '@mellow-anvil/core/base';
import { HEAVY, type HeavyAnswer, type HeavyOrder } from './heavy-tasks';

/** The page is told this often, and no more. */
const TELL_EVERY_MS = 100;

const answer = (news: HeavyAnswer): void => postMessage(news);

addEventListener('message', ({ data: { order, task, input } }: MessageEvent<HeavyOrder>) => {
  let told = performance.now();
  const tell: Tell = (share) => {
    if (performance.now() - told < TELL_EVERY_MS) return;
    told = performance.now();
    answer({ order, share });
  };
  const result = attempt(() => HEAVY[task](input as never, tell));
  if (result instanceof Refusal) {
    answer({ order, refusal: { field: result.field, message: result.message } });
  } else answer({ order, value: result });
});
