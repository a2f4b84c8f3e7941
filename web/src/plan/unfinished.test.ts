import { describe, expect, it } from 'vitest';
import type { Design } from '../api/client';
import { unfinished } from './unfinished';

const step = (id: number, name: string, kind: string, body: string, part: object = {}) => ({
  id,
  name,
  kind,
  body,
  published: true,
  part: { is: kind.toLowerCase(), ...part },
});
const design = (steps: object[], more: object = {}) =>
  ({
    modules: [{ id: 1, name: 'Wheels', published: true, steps }],
    outcomes: [],
    badges: [],
    ...more,
  }) as unknown as Design;
const told = (of: Design) =>
  unfinished(of, ['New module', 'New badge']).map((u) => `${u.name} ${u.why} ${u.to}`);

describe('what looks unfinished', () => {
  it('is what says nothing and shows nothing', () => {
    const steps = [
      step(1, 'Nothing', 'PAGE', '<p>&nbsp;</p>'),
      step(2, 'A picture', 'PAGE', '<p><img src="a"></p>'),
      step(3, 'Words', 'NOTE', '<p>Mind the chain.</p>'),
      step(4, 'No film', 'VIDEO', ''),
      step(5, 'A film', 'VIDEO', '', { film: { file: 1, seconds: 3 } }),
      step(6, 'No question', 'QUIZ', '', { questions: [], draws: [] }),
      step(7, 'A draw', 'QUIZ', '', { questions: [], draws: [{}] }),
      step(8, 'No task', 'ASSIGNMENT', ''),
      step(9, 'No address', 'LINK', '', { address: '' }),
      step(10, 'Words in place of files', 'FILE', 'See the shelf', { files: [] }),
      { ...step(11, 'Hidden', 'PAGE', ''), published: false },
    ];
    expect(told(design(steps)).map((line) => line.split(' empty')[0])).toEqual([
      'Nothing',
      'No film',
      'No question',
      'No task',
      'No address',
    ]);
  });

  it('is what still has the name it began with, and a module without steps', () => {
    const modules = [
      { id: 1, name: 'New module', published: true, steps: [] },
      { id: 2, name: 'Brakes', published: true, steps: [] },
      { id: 3, name: 'New module', published: false, steps: [] },
    ];
    const badges = [{ id: 4, name: 'New badge' }];
    expect(told(design([], { modules, badges }))).toEqual([
      'New module new ../route?sel=module-1',
      'Brakes empty ../route?sel=module-2',
      'New badge new ../badges?sel=4',
    ]);
  });
});
