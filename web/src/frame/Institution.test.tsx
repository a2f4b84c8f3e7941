import { screen } from '@testing-library/react';
import { useTranslations } from 'use-intl';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { reword } from '../i18n';
import { institution, show } from '../test/stage';
import { Institution } from './Institution';

const Save = () => <p>{useTranslations()('common.save')}</p>;

describe('the institution', () => {
  afterEach(() => reword({}));

  it('gives the page its name, its words and its colours, and nothing that is no colour', async () => {
    show(
      <>
        <Institution
          of={{
            ...institution,
            words: { 'common.save': 'Keep' },
            colours: {
              BAND: '#123456',
              ACT: 'red; } body { display: none',
            },
          }}
        />
        <Save />
      </>,
    );
    expect(await screen.findByText('Keep')).toBeInTheDocument();
    expect(document.title).toBe('Hollow Lane Workshop School');
    const styles = [...document.head.querySelectorAll('style')]
      .flatMap((s) => [...(s.sheet?.cssRules ?? [])])
      .map((rule) => rule.cssText)
      .join();
    await vi.waitFor(() => expect(styles).toContain('--mui-palette-tone-band: #123456'));
    expect(styles).not.toContain('display: none }');
  });
});
