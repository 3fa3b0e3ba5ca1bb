/**
 * The latest question counts: an answer to an older one that comes late, or its failure, is never shown over a newer one.
 * One of these stands for each thing that a page shows.
 */
export class Latest {
  private asked = 0;

  /** A new question. @returns tells whether it is still the latest one, asked when its answer comes */
  next(): () => boolean {
    const mine = ++this.asked;
    return () => mine === this.asked;
  }

  /**
   * Waits for the answer to a new question.
   * @param told called with the answer, unless another question was put meanwhile
   * @param failed called with what went wrong, unless another question was put meanwhile
   */
  hear<T>(answer: Promise<T>, told: (value: T) => void, failed: (error: unknown) => void): void {
    const still = this.next();
    answer.then(
      (value) => {
        if (still()) told(value);
      },
      (error: unknown) => {
        if (still()) failed(error);
      },
    );
  }
}
