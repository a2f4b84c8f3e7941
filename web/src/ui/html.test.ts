import { describe, expect, it } from 'vitest';
import { plainText, saysNothing, withFiles } from './html';

describe('formatted text', () => {
  it('says nothing without a word, a picture or a formula', () => {
    expect(saysNothing('<p></p><ul><li><p>&nbsp;</p></li></ul>')).toBe(true);
    expect(saysNothing('<p>.</p>')).toBe(false);
    expect(saysNothing('<img data-file="3">')).toBe(false);
    expect(saysNothing('<p><span data-formula="F"></span></p>')).toBe(false);
  });

  it('is read line by line, with what its pictures show', () => {
    const card =
      '<h3>Front</h3><ul><li><p>Two pads &amp; a cable</p></li><li><p>6 Nm</p></li></ul><p>a<br>b <span data-formula="F=ma"></span></p><img data-file="3" alt="A pad">';
    expect(plainText(card)).toBe('Front\nTwo pads & a cable\n6 Nm\na\nb F=ma\n[A pad]');
  });

  it('finds its files where it is told, and is not touched where there are none', () => {
    const at = (file: number) => `/work/${file}`;
    expect(withFiles('<p>Odd & <b>plain</p>', at)).toBe('<p>Odd & <b>plain</p>');
    expect(withFiles('<img data-file="3" alt="A"><a data-file="4">b</a>', at)).toBe(
      '<img data-file="3" alt="A" src="/work/3"><a data-file="4" href="/work/4">b</a>',
    );
    expect(withFiles('<video data-file="5"></video>', at)).toContain('controls');
  });
});
