import { describe, expect, it } from 'vitest';
import { cleaned } from './pasted';

const item = (level: number, marker: string, text: string) =>
  `<p class=MsoListParagraph style='text-indent:-18.0pt;mso-list:l0 level${level} lfo1'>` +
  `<span lang=EN-GB style='mso-list:Ignore'>${marker}<span style='font:7.0pt "Times"'>&nbsp; </span></span>` +
  `<span lang=EN-GB>${text}<o:p></o:p></span></p>`;

describe('what is pasted from a word processor', () => {
  it('keeps its lists, one in the other', () => {
    const html = `${item(1, '1.', 'Deflate')}${item(2, '·', 'by the valve')}${item(1, '2.', 'Lever')}<p>Then rest.</p>`;
    expect(cleaned(html)).toBe(
      '<ol><li>Deflate<ul><li>by the valve</li></ul></li><li>Lever</li></ol><p>Then rest.</p>',
    );
  });

  it('keeps two lists apart that have a text between them', () => {
    expect(cleaned(`${item(1, '·', 'One')}<p>Between</p>${item(1, '·', 'Two')}`)).toBe(
      '<ul><li>One</li></ul><p>Between</p><ul><li>Two</li></ul>',
    );
  });

  it('loses its styles, remarks and empty lines', () => {
    const html =
      '<!--[if gte mso 9]><xml><w:Word/></xml><![endif]--><style>p{color:red}</style>' +
      '<p class="MsoNormal" style="margin:0;color:#333" id="x">Rub <span style="font-weight:700">hard</span></p>' +
      '<p class="MsoNormal"><o:p>&nbsp;</o:p></p><script>alert(1)</script>';
    expect(cleaned(html)).toBe('<p>Rub <strong>hard</strong></p>');
  });

  it('keeps what is bold, slanted or set low by its style alone', () => {
    expect(
      cleaned(
        '<b style="font-weight:normal"><p>H<span style="vertical-align:sub">2</span>O, <span style="font-style:italic">wet</span></p></b>',
      ),
    ).toBe('<p>H<sub>2</sub>O, <em>wet</em></p>');
  });

  it('keeps tables and headings', () => {
    const table = '<h2>Sizes</h2><table><tbody><tr><td>28</td></tr></tbody></table>';
    expect(cleaned(table)).toBe(table);
  });
});
