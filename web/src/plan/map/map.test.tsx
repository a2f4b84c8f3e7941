import { screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import Elk from 'elkjs/lib/elk.bundled.js';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import type { Design, RuleNode } from '../../api/client';
import { courseRules } from '../../test/fixtures';
import { serve, show } from '../../test/stage';
import type { MapGraph } from './graph';
import RouteMap from './RouteMap';
import { svgFile } from './saveSvg';

vi.mock('./layout', async (original) => {
  const layout = await original<typeof import('./layout')>();
  const layOut = async (graph: MapGraph) =>
    layout.placed(graph, await new Elk().layout(layout.toLayOut(graph)));
  return { ...layout, layOut };
});

const passed = {
  id: 'a',
  is: 'ask',
  n: 0,
  parts: [],
  leaf: { step: 11 },
  subject: '',
  says: 'passed',
};
const step = (id: number, name: string, more = {}) => ({
  id,
  name,
  published: true,
  required: true,
  ...more,
});
const design = {
  course: 2,
  name: 'Foundations',
  modules: [
    {
      id: 1,
      name: 'Brakes',
      published: true,
      steps: [
        step(11, 'Pads'),
        step(12, 'Job card', { opensWhen: { line: '', text: '', root: passed as RuleNode } }),
        step(13, 'Alone'),
      ],
    },
    { id: 2, name: 'Wheels', published: true, steps: [step(21, 'Spokes')] },
  ],
  outcomes: [],
  badges: [],
  rules: courseRules(),
  otherCourses: [],
  usual: [],
} as unknown as Design;

const DONE = String.fromCharCode('0'.charCodeAt(0) + 7 * 4);
const CLOSED = String.fromCharCode('0'.charCodeAt(0) + 2 * 4);
const progress = {
  steps: [11, 12, 13, 21].map((id) => ({ id })),
  learners: [{ thread: DONE + CLOSED + DONE + DONE }, { thread: DONE + DONE + DONE + CLOSED }],
};

function Stage() {
  const [sel, select] = useState<string | null>(null);
  return <RouteMap design={design} sel={sel} select={select} />;
}

async function map() {
  serve({ 'GET /api/courses/2/reports/progress*': progress });
  show(<Stage />);
  return screen.findByRole('group', { name: 'Map of Foundations' });
}
const thing = (name: RegExp) => screen.findByRole('button', { name });

describe('the map', () => {
  it('says of each thing how learners stand there and what leads to it', async () => {
    await map();
    expect(
      await thing(/^Pads\. 2 of 2 have done it\. Nothing here opens it, 1 leads on\./),
    ).toBeVisible();
    expect(await thing(/^Job card\. 1 of 2 have done it\. 1 way leads to it/)).toBeVisible();
    expect(await thing(/^1 Brakes\. 1 of 2 have done it/)).toBeVisible();
  });

  it('is one stop for Tab, is walked by arrow keys, and follows what is selected', async () => {
    const drawing = await map();
    const stops = within(drawing)
      .getAllByRole('button')
      .filter((b) => b.getAttribute('tabindex') === '0');
    expect(stops).toHaveLength(1);
    stops[0]?.focus();
    await userEvent.keyboard('{ArrowDown}');
    expect(await thing(/^Pads\./)).toHaveFocus();
    await userEvent.keyboard('{Enter}');
    expect(await thing(/^Pads\./)).toHaveAttribute('aria-pressed', 'true');
    expect(screen.getByText('Following', { exact: false })).toHaveTextContent('Following Pads');
    expect((await thing(/^Job card\./)).closest('[opacity]')).toHaveAttribute('opacity', '1');
    expect((await thing(/^Alone\./)).closest('[opacity]')).toHaveAttribute('opacity', '0.35');
    await userEvent.click(screen.getByRole('button', { name: 'what holds it back' }));
    expect((await thing(/^Job card\./)).closest('[opacity]')).toHaveAttribute('opacity', '0.35');
    await userEvent.click(screen.getByRole('button', { name: 'Show all' }));
    expect((await thing(/^Alone\./)).closest('[opacity]')).toHaveAttribute('opacity', '1');
  });

  it('folds a module by a key, and all of them by a button', async () => {
    await map();
    (await thing(/^1 Brakes\./)).focus();
    await userEvent.keyboard('f');
    await vi.waitFor(() => expect(screen.queryByRole('button', { name: /^Pads\./ })).toBeNull());
    expect(await thing(/^Spokes\./)).toBeVisible();
    await userEvent.click(screen.getByRole('button', { name: 'Fold modules' }));
    await vi.waitFor(() => expect(screen.queryByRole('button', { name: /^Spokes\./ })).toBeNull());
    await userEvent.click(screen.getByRole('button', { name: 'Unfold modules' }));
    expect(await thing(/^Pads\./)).toBeVisible();
  });

  it('is a file with colours of its own, that needs nothing of the page', async () => {
    const drawing = (await map()) as unknown as SVGSVGElement;
    Object.defineProperty(drawing, 'viewBox', {
      value: { baseVal: { width: 300, height: 200 } },
    });
    const colours = { getPropertyValue: () => ' #123456' } as unknown as CSSStyleDeclaration;
    const file = svgFile(drawing, colours);
    expect(file).toContain('xmlns="http://www.w3.org/2000/svg"');
    expect(file).toContain('Job card');
    expect(file).toContain('#123456');
    expect(file).not.toMatch(/var\(|tabindex|data-key/);
  });
});
