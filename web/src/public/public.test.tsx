import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Route, Routes } from 'react-router';
import { describe, expect, it, vi } from 'vitest';
import type { CheckedBadge as Checked } from '../api/client';
import { TakeAlong } from '../learn/TakeAlong';
import { FIRST } from '../plan/badges/art';
import { failure, serve, show } from '../test/stage';
import CheckCertificate from './CheckCertificate';
import { CheckedBadge } from './CheckedBadge';
import CheckPage from './CheckPage';

const checked = (more: Partial<Checked> = {}): Checked => ({
  holds: true,
  hashed: true,
  shown: {
    name: 'True Wheel',
    description: 'Trues a wheel.',
    criteria: 'Signed off by staff',
    issuer: 'Hollow Lane Workshop School',
    awardedAt: '2026-11-24T12:00:00Z',
    results: ['True a wheel: On my own'],
    evidence: [],
  },
  found: [
    { point: 'SIGNATURE', came: 'HOLDS', says: 'It was signed.' },
    { point: 'ISSUER', came: 'HOLDS', says: 'Its key is known here.' },
  ],
  ...more,
});

describe('checking a badge', () => {
  it('says in plain words what holds', async () => {
    const calls = serve({ 'POST /api/public/check': checked() });
    show(<CheckPage />);
    await userEvent.type(screen.getByRole('textbox', { name: /paste/ }), 'eyJ.e30.x');
    await userEvent.type(screen.getByRole('textbox', { name: /Whose/ }), 'juno@hollowlane.example');
    await userEvent.click(screen.getByRole('button', { name: 'Check' }));
    expect(await screen.findByText('This badge is good.')).toBeVisible();
    expect(screen.getByRole('heading', { name: 'True Wheel' })).toBeVisible();
    expect(screen.getByText('True a wheel: On my own')).toBeVisible();
    expect(calls[0]?.body).toEqual({
      file: btoa('eyJ.e30.x'),
      email: 'juno@hollowlane.example',
    });
  });

  it('takes a file as it is', async () => {
    const calls = serve({ 'POST /api/public/check': checked() });
    show(<CheckPage />);
    const file = new File([new Uint8Array([137, 80, 78, 71, 0, 255])], 'wheel.png');
    await userEvent.upload(screen.getByLabelText('Choose a file', { selector: 'input' }), file);
    expect(await screen.findByText('wheel.png')).toBeVisible();
    await vi.waitFor(() => expect(calls[0]?.body).toEqual({ file: 'iVBORwD/' }));
  });

  it('says what is wrong with what is none', async () => {
    serve({
      'POST /api/public/check': failure(422, { detail: 'There is no badge in this.' }),
    });
    show(<CheckPage />);
    await userEvent.type(screen.getByRole('textbox', { name: /paste/ }), 'x');
    await userEvent.click(screen.getByRole('button', { name: 'Check' }));
    expect(await screen.findByText('There is no badge in this.')).toBeVisible();
  });

  it.each([
    ['This badge is not proved.', 'FAILS', 'UNTOLD', false],
    ['It was signed like this, but it does not hold now.', 'HOLDS', 'HOLDS', false],
    [/who its issuer is cannot be told here/, 'HOLDS', 'UNTOLD', true],
  ] as const)('tells %s', (says, signature, issuer, holds) => {
    show(
      <CheckedBadge
        checked={checked({
          holds,
          found: [
            { point: 'SIGNATURE', came: signature, says: 'a' },
            { point: 'ISSUER', came: issuer, says: 'b' },
          ],
        })}
      />,
    );
    expect(screen.getByText(says)).toBeVisible();
  });
});

describe('a badge of somebody else', () => {
  it('is told as that, not as ended', () => {
    show(
      <CheckedBadge
        checked={checked({
          holds: false,
          found: [
            { point: 'SIGNATURE', came: 'HOLDS', says: 'a' },
            { point: 'HOLDER', came: 'FAILS', says: 'b' },
          ],
        })}
      />,
    );
    expect(screen.getByText(/belongs to somebody else/)).toBeVisible();
  });
});

describe('taking badges along', () => {
  const award = {
    id: '4a1a9d7e-64de-4f0c-8f0e-3c8d9a1b2c3d',
    name: 'True Wheel',
    description: '',
    course: 'Foundations',
    picture: { art: FIRST, alt: '' },
    awardedAt: '2026-11-24T12:00:00Z',
    state: 'CURRENT',
    ready: true,
  };

  it('offers each form, and shows a badge only when asked', async () => {
    const calls = serve({
      'GET /api/account/badges': [award, { ...award, id: 'b', name: 'New', ready: false }],
      'GET /api/account/wallets': [],
      [`PUT /api/account/badges/${award.id}/showing`]: undefined,
    });
    show(<TakeAlong />);
    await userEvent.click(await screen.findByRole('button', { name: 'Take along True Wheel' }));
    const items = screen.getAllByRole('menuitem').map((item) => item.getAttribute('href'));
    expect(items).toEqual(
      ['PDF', 'PNG', 'SVG', 'JSON', 'JWT', 'EARLIER', 'EARLIER_SVG'].map(
        (form) => `/api/account/badges/${award.id}/${form}`,
      ),
    );
    await userEvent.keyboard('{Escape}');
    expect(screen.getByRole('button', { name: 'Take along New' })).toBeDisabled();
    await userEvent.click(screen.getByRole('switch', { name: 'Show True Wheel to everybody' }));
    await vi.waitFor(() =>
      expect(calls.find((c) => c.method === 'PUT')?.body).toEqual({ shown: true }),
    );
  });

  it('sends a badge to a wallet that allowed it, and says where it is', async () => {
    const wallet = { name: 'keepsake', address: 'http://127.0.0.1:8434', linked: true };
    const calls = serve({
      'GET /api/account/badges': [award],
      'GET /api/account/wallets': () => [
        {
          ...wallet,
          badges: calls.some((c) => c.method === 'POST')
            ? { [award.id]: '2026-11-25T12:00:00Z' }
            : {},
        },
      ],
      [`POST /api/account/wallets/keepsake/badges/${award.id}`]: {
        wallet: 'keepsake',
        fresh: true,
      },
    });
    show(<TakeAlong />);
    await userEvent.click(await screen.findByRole('button', { name: 'Take along True Wheel' }));
    await userEvent.click(screen.getByRole('menuitem', { name: 'Send to keepsake' }));
    expect(await screen.findByRole('link', { name: 'keepsake' })).toHaveAttribute(
      'href',
      'http://127.0.0.1:8434',
    );
    expect(calls.some((c) => c.method === 'POST')).toBe(true);
  });

  it('is nothing to somebody without badges', async () => {
    serve({ 'GET /api/account/badges': [], 'GET /api/account/wallets': [] });
    show(<TakeAlong />);
    expect(screen.queryByText('Take your badges along')).not.toBeInTheDocument();
  });
});

const showAt = (address: string) =>
  show(
    <Routes>
      <Route path="/certificate/:code" element={<CheckCertificate />} />
    </Routes>,
    address,
  );

describe('checking a certificate on paper', () => {
  const found = {
    number: '2026-00017',
    name: 'Tilda Moreau',
    title: 'Foundations certificate',
    course: 'Cycle Mechanic Foundations',
    issuer: 'Hollow Lane Workshop School',
    awardedAt: '2026-11-24T12:00:00Z',
    state: 'VALID',
  };

  it('says what the register says, to be compared with the paper', async () => {
    serve({ 'GET /api/public/certificates/7KQM': found });
    showAt('/certificate/7KQM');
    expect(await screen.findByText(/in the register and valid/)).toBeVisible();
    expect(screen.getByText('2026-00017')).toBeVisible();
    expect(screen.getByText(/must be the same/)).toBeVisible();
  });

  it.each([
    ['REVOKED', /was revoked/],
    ['REPLACED', /another one was given in its place/],
    ['ENDED', /has ended/],
  ])('tells %s', async (state, says) => {
    serve({ 'GET /api/public/certificates/7KQM': { ...found, state } });
    showAt('/certificate/7KQM');
    expect(await screen.findByText(says)).toBeVisible();
  });

  it('says that a code is not known', async () => {
    serve({ 'GET /api/public/certificates/NONE': failure(404, { detail: 'none' }) });
    showAt('/certificate/NONE');
    expect(await screen.findByText(/knows no such code/)).toBeVisible();
  });
});
