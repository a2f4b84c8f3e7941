package yendrik.standins.mailroom;

import java.util.List;

/** The page that shows all letters. */
final class Page {
  private static final String HEAD =
      """
      <!doctype html><html lang="en"><meta charset="utf-8"><title>Mailroom</title><style>
      body{font:16px/1.5 system-ui,sans-serif;background:#eef1f0;color:#17212a;margin:0 auto;max-width:46rem;padding:1.5rem}
      article{background:#fff;border:1px solid #d3dbd8;border-radius:4px;padding:1rem 1.25rem;margin:1rem 0}
      h1{font-size:1.4rem}h2{font-size:1.1rem;margin:0}p{margin:.25rem 0;color:#55636b}pre{font:inherit;white-space:pre-wrap;margin:.75rem 0 0}
      </style><h1>Mailroom</h1><p>Letters that the demo has sent. Nothing leaves this machine.</p>
      """;

  private Page() {}

  static String of(List<Letter> letters) {
    var page = new StringBuilder(HEAD);
    if (letters.isEmpty()) page.append("<p>No letters yet.</p>");
    for (Letter letter : letters)
      page.append("<article><h2>")
          .append(safe(letter.subject()))
          .append("</h2><p>To ")
          .append(safe(letter.to()))
          .append(", from ")
          .append(safe(letter.from()))
          .append(", replies to ")
          .append(safe(letter.replyTo()))
          .append("</p><pre>")
          .append(safe(letter.body()))
          .append("</pre></article>");
    return page.append("</html>").toString();
  }

  private static String safe(String text) {
    return text.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;");
  }
}
