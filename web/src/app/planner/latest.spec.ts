import { turn } from '../testing/page';
import { Latest } from './latest';

describe('Latest', () => {
  const question = <T>(): { answer: Promise<T>; say: (value: T) => void; fail: (error: Error) => void } => {
    let say: (value: T) => void = () => undefined;
    let fail: (error: Error) => void = () => undefined;
    const answer = new Promise<T>((done, bad) => {
      say = done;
      fail = bad;
    });
    return { answer, say, fail };
  };

  it('hears the answer to the latest question, in whatever order they come', async () => {
    const heard: string[] = [];
    const failed: unknown[] = [];
    const latest = new Latest();
    const [old, other, last] = [question<string>(), question<string>(), question<string>()];
    for (const q of [old, other, last])
      latest.hear(
        q.answer,
        (a) => heard.push(a),
        (e) => failed.push(e),
      );
    last.say('the last');
    old.say('the first');
    other.fail(new Error('too late'));
    await turn();
    expect(heard).toEqual(['the last']);
    expect(failed).toEqual([]);
  });

  it('tells a failure of the latest', async () => {
    const failed: unknown[] = [];
    const q = question<string>();
    new Latest().hear(q.answer, fail, (e) => failed.push(e));
    q.fail(new Error('gone'));
    await turn();
    expect(failed).toEqual([new Error('gone')]);
  });
});
