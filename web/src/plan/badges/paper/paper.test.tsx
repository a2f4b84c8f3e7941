import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { describe, expect, it, vi } from 'vitest';
import { changed, failure, serve, show } from '../../../test/stage';
import { FIRST } from '../art';
import Badges from '../Badges';
import { FIELDS, firstSheet, withField } from './sheet';
// what is loaded when it is needed is there already
import './PaperStudio';

const sheet = firstSheet({ heading: 'Certificate', opening: 'This says that', closing: 'can' });
const badge = (more = {}) => ({
  id: 4,
  version: 3,
  name: 'Foundations certificate',
  description: '',
  picture: { art: FIRST, alt: 'A medal' },
  lasting: { is: 'ALWAYS' },
  soonDays: 30,
  outcomes: [],
  tags: [],
  surprise: false,
  ...more,
});
const at = '/api/courses/2/design';
const design = (more = {}) => ({ outcomes: [], modules: [], badges: [badge(more)] });
const PAGE = `GET ${at}/badges/4/sheet/png`;

describe('a certificate', () => {
  it('begins from a badge', async () => {
    const calls = serve({
      [`GET ${at}`]: design(),
      [`PATCH ${at}/badges/4`]: badge({ sheet }),
      [PAGE]: {},
    });
    show(<Badges />, '/c/2?sel=4&paper=1');
    await userEvent.click(
      await screen.findByRole('button', { name: 'Lay it out' }, { timeout: 5000 }),
    );
    await vi.waitFor(() =>
      expect(changed(calls)).toMatchObject([
        { sheet: { template: 'THREAD', paper: 'A4', heading: 'Certificate', fields: FIELDS } },
      ]),
    );
  });

  it('is laid out by choosing, and builds on what is not saved yet', async () => {
    const calls = serve({
      [`GET ${at}`]: design({ sheet }),
      [`PATCH ${at}/badges/4`]: badge({ version: 4, sheet: { ...sheet, upright: true } }),
      [PAGE]: {},
    });
    show(<Badges />, '/c/2?sel=4&paper=1');
    await userEvent.click(await screen.findByRole('button', { name: 'upright' }));
    await vi.waitFor(() =>
      expect(changed(calls)).toMatchObject([{ sheet: { upright: true, template: 'THREAD' } }]),
    );
  });

  it('says what there is too much of', async () => {
    serve({
      [`GET ${at}`]: design({ sheet }),
      [PAGE]: failure(422, { detail: 'There is more on this certificate than there is room for.' }),
    });
    show(<Badges />, '/c/2?sel=4&paper=1');
    expect(await screen.findByText(/more on this certificate/)).toBeVisible();
  });

  it('keeps its fields in their order', () => {
    const less = { ...sheet, fields: withField(sheet, 'OUTCOMES', false) };
    expect(less.fields).not.toContain('OUTCOMES');
    expect(withField(less, 'OUTCOMES', true)).toEqual(FIELDS);
  });
});
