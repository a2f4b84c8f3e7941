import { ThemeProvider } from '@mui/material';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { render } from '@testing-library/react';
import type { ReactNode } from 'react';
import { MemoryRouter, useLocation } from 'react-router';
import type { Me, MyCourse } from '../api/client';
import { CourseContext } from '../frame/course';
import { Words } from '../i18n';
import { theme } from '../theme';
import { NoticeProvider } from '../ui/Notice';
import { network } from './network';

export interface Call {
  method: string;
  path: string;
  body: unknown;
  version: string | null;
}

type Answer = unknown | ((call: Call) => unknown);

/** JSON as what it says, a file as its text. */
function read(text: string): unknown {
  try {
    return text ? JSON.parse(text) : undefined;
  } catch {
    return text;
  }
}

/** What fields were to be, in the order in which they were sent. */
export const changed = <T extends object>(calls: Call[]): Partial<T>[] =>
  calls.filter((c) => c.method === 'PATCH').map((c) => (c.body as { to: Partial<T> }).to);

/** An answer that is a failure. */
export const failure = (status: number, problem: object) => ({ failure: { status, ...problem } });

/**
 * Stands in for the server: answers by "METHOD path", where a path may end in * for any rest, and
 * remembers what was asked.
 */
export function serve(answers: Record<string, Answer>): Call[] {
  const calls: Call[] = [];
  network.answer = async (request) => {
    const url = new URL(request.url);
    const text = request.method === 'GET' ? '' : await request.text();
    const call: Call = {
      method: request.method,
      path: url.pathname + url.search,
      body: read(text),
      version: request.headers.get('If-Match'),
    };
    calls.push(call);
    const key = Object.keys(answers).find((k) => {
      const [method, path = ''] = k.split(' ');
      return (
        method === call.method &&
        (path.endsWith('*') ? call.path.startsWith(path.slice(0, -1)) : url.pathname === path)
      );
    });
    if (!key) throw new Error(`nobody answers ${call.method} ${call.path}`);
    const answer = answers[key];
    const made = typeof answer === 'function' ? answer(call) : answer;
    const wrong = (made as { failure?: { status: number } } | undefined)?.failure;
    return new Response(made === undefined ? null : JSON.stringify(wrong ?? made), {
      status: wrong?.status ?? (made === undefined ? 204 : 200),
      headers: {
        'Content-Type': 'application/json',
        ...(made === undefined ? { 'Content-Length': '0' } : {}),
      },
    });
  };
  return calls;
}

export const institution: Me['institution'] = {
  name: 'Hollow Lane Workshop School',
  issuer: 'Hollow Lane Workshop School',
  issuerAddress: '',
  issuerEmail: '',
  colours: {},
  words: {},
};

export const course: MyCourse = {
  id: 2,
  name: 'Cycle Mechanic Foundations',
  cohort: 'Autumn cohort',
  week: 6,
  weeks: 10,
  role: 'DESIGNER',
  learner: false,
  framework: false,
  practice: false,
};

function Address() {
  const { pathname, search } = useLocation();
  return <code data-testid="address">{pathname + search}</code>;
}

function broken(sentence: Error): never {
  throw sentence;
}

let client = new QueryClient();

/** What the part that was shown last has of the server. */
export const lastClient = () => client;

/** Shows a part as it stands inside the application, at an address and in the course. */
export function show(part: ReactNode, at = '/c/2', seat: Partial<MyCourse> = {}) {
  client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  return render(
    <ThemeProvider theme={theme} noSsr>
      <QueryClientProvider client={client}>
        <MemoryRouter initialEntries={[at]} useTransitions={false}>
          <Words onError={broken}>
            <NoticeProvider>
              <div id="view-actions" />
              <CourseContext value={{ ...course, ...seat }}>{part}</CourseContext>
              <Address />
            </NoticeProvider>
          </Words>
        </MemoryRouter>
      </QueryClientProvider>
    </ThemeProvider>,
  );
}

/** Without a layout there is no height, and without a height a virtual list shows no rows. */
export function laidOut() {
  Object.defineProperty(Element.prototype, 'clientHeight', { value: 600 });
  Object.defineProperty(Element.prototype, 'clientWidth', { value: 900 });
}
