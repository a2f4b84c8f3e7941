import { api, body } from '../../api/client';
import type { Order } from '../order';

export type Part =
  | 'outcomes'
  | 'modules'
  | 'steps'
  | 'badges'
  | 'course'
  | 'usual'
  | 'flags'
  | 'rubrics'
  | 'questions'
  | 'rehearsals';

export interface Versioned {
  id: number;
  version: number;
}

export interface Thing extends Versioned {
  part: Part;
}

/** Fields as they were seen, and as they are to be. */
export interface Fields {
  from: Record<string, unknown>;
  to: Record<string, unknown>;
}

export interface StepFields {
  id: number;
  fields: Fields;
}

/** A way to go in a draft, as data. None of them goes over what a colleague has changed since. */
export type Way =
  | { goes: 'fields'; part: Part; id: number; fields: Fields }
  | { goes: 'steps'; steps: StepFields[] }
  /** Takes things away as they were left. */
  | { goes: 'away'; things: Thing[] }
  /** Brings back what was taken away. */
  | { goes: 'back'; part: Part; ids: number[] }
  | { goes: 'order'; modules: Order; was: Order }
  | { goes: 'outcomes'; outcomes: number[]; was: number[] };

/** Sends some fields as they were seen and as they are to be; nothing else is touched. */
export function sendFields<T extends Versioned>(
  course: number,
  part: Part,
  id: number,
  fields: Fields,
): Promise<T> {
  const init = { params: { path: { course, id } }, body: fields };
  const sent = {
    outcomes: () => api.PATCH('/api/courses/{course}/design/outcomes/{id}', init),
    modules: () => api.PATCH('/api/courses/{course}/design/modules/{id}', init),
    steps: () => api.PATCH('/api/courses/{course}/design/steps/{id}', init),
    badges: () => api.PATCH('/api/courses/{course}/design/badges/{id}', init),
    course: () =>
      api.PATCH('/api/courses/{course}/design/course', {
        params: { path: { course } },
        body: fields,
      }),
    usual: () => api.PATCH('/api/courses/{course}/design/usual/{id}', init),
    flags: () => api.PATCH('/api/courses/{course}/design/flags/{id}', init),
    rubrics: () => api.PATCH('/api/courses/{course}/design/rubrics/{id}', init),
    questions: () => api.PATCH('/api/courses/{course}/design/questions/{id}', init),
    rehearsals: () => api.PATCH('/api/courses/{course}/design/rehearsals/{id}', init),
  }[part]() as Promise<{ data?: unknown }>;
  return body(sent) as Promise<T>;
}

export const sendSteps = (course: number, steps: StepFields[]) =>
  body(
    api.POST('/api/courses/{course}/design/steps/changes', {
      params: { path: { course } },
      body: { steps },
    }),
  );

export const sendOrder = (course: number, modules: Order, was: Order) =>
  api.PUT('/api/courses/{course}/design/order', {
    params: { path: { course } },
    body: { modules, was },
  });

export const sendOutcomes = (course: number, outcomes: number[], was: number[]) =>
  api.PUT('/api/courses/{course}/design/outcomes/order', {
    params: { path: { course } },
    body: { outcomes, was },
  });

/** Takes steps away at once, others one by one; what others have done with one since keeps it. */
async function sendAway(course: number, things: Thing[]) {
  const steps = things.filter((t) => t.part === 'steps');
  if (steps.length > 0)
    await api.POST('/api/courses/{course}/design/steps/removal', {
      params: { path: { course } },
      body: { steps: steps.map(({ id, version }) => ({ id, version })) },
    });
  for (const { part, id, version } of things.filter((t) => t.part !== 'steps'))
    await api.DELETE('/api/courses/{course}/design/{part}/{id}', {
      params: { path: { course, part, id }, header: { 'If-Match': `"${version}"` } },
    });
}

async function sendBack(course: number, part: Part, ids: number[]) {
  const [id] = ids;
  if (ids.length > 1 && part === 'steps')
    await api.POST('/api/courses/{course}/design/steps/restoration', {
      params: { path: { course } },
      body: { steps: ids },
    });
  else if (id !== undefined)
    await api.POST('/api/courses/{course}/design/{part}/{id}/restoration', {
      params: { path: { course, part, id } },
    });
}

/** Goes a way; the things that it has left in another version come back. */
export async function go(course: number, way: Way): Promise<Thing[]> {
  switch (way.goes) {
    case 'fields': {
      const { id, version } = await sendFields(course, way.part, way.id, way.fields);
      return [{ part: way.part, id, version }];
    }
    case 'steps': {
      const steps = await sendSteps(course, way.steps);
      return steps.map(({ id, version }) => ({ part: 'steps', id, version }));
    }
    case 'away':
      await sendAway(course, way.things);
      return [];
    case 'back':
      await sendBack(course, way.part, way.ids);
      return [];
    case 'order':
      await sendOrder(course, way.modules, way.was);
      return [];
    case 'outcomes':
      await sendOutcomes(course, way.outcomes, way.was);
      return [];
  }
}
