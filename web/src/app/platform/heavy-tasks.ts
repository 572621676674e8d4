import { wedgeHeat } from '@mellow-anvil/core/grinding';
import { stoneSweep } from '@mellow-anvil/core/plan';

/** What is too much for the page's own thread. */
export const HEAVY = { stoneSweep, wedgeHeat } as const;

export type HeavyTask = keyof typeof HEAVY;
export type HeavyInput<T extends HeavyTask> = Parameters<(typeof HEAVY)[T]>[0];
export type HeavyOutput<T extends HeavyTask> = ReturnType<(typeof HEAVY)[T]>;

export interface HeavyOrder {
  readonly order: number;
  readonly task: HeavyTask;
  readonly input: unknown;
}

/** What comes back of an order: how far it is, then its value or why there is none. */
export type HeavyAnswer = { readonly order: number } & (
  | { readonly share: number }
  | { readonly value: unknown }
  | { readonly refusal: { readonly field: string; readonly message: string } }
);
