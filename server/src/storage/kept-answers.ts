import { LRUCache } from 'lru-cache';

/** What is kept at most, letters. */
const MOST_LETTERS = 8_000_000;

/** Answers as text, kept until something they may rest on is stored; the longest unasked go first. */
export class KeptAnswers {
  private readonly kept = new LRUCache<string, string>({
    maxSize: MOST_LETTERS,
    sizeCalculation: (answer) => answer.length + 1,
  });
  private since: number | undefined;

  /** @param edition another number after everything stored */
  constructor(private readonly edition: () => number) {}

  /** The answer to a question, worked out when it is not known as things stand. */
  async to(question: string, work: () => Promise<string>): Promise<string> {
    const edition = this.edition();
    if (edition !== this.since) {
      this.kept.clear();
      this.since = edition;
    }
    const known = this.kept.get(question);
    if (known !== undefined) return known;
    const answer = await work();
    // What was stored meanwhile may be in it or not.
    if (edition === this.edition()) this.kept.set(question, answer);
    return answer;
  }
}
