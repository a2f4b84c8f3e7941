import { render, screen } from '@testing-library/react';
import { act } from 'react';
import { useTranslations } from 'use-intl';
import { afterEach, describe, expect, it } from 'vitest';
import { add, reword, say, Words } from '.';

function Sentence({ of }: { of: string }) {
  return <p>{useTranslations()(of, { count: 2 })}</p>;
}

describe('sentences', () => {
  afterEach(() => reword({}));

  it('are said in the institution’s own words, in parts that come later too', () => {
    reword({ 'common.save': 'Keep', 'later.one': 'ours', 'no.such': 'x' });
    render(
      <Words>
        <Sentence of="common.save" />
      </Words>,
    );
    expect(screen.getByText('Keep')).toBeInTheDocument();
    act(() =>
      add({ later: { one: 'theirs', two: '{count, plural, one {# cat} other {# cats}}' } }),
    );
    expect(say('later.one')).toBe('ours');
    act(() => reword({}));
    expect(screen.getByText('Save')).toBeInTheDocument();
    expect(say('later.one')).toBe('theirs');
  });
});
