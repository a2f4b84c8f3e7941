package yendrik.server.texts;

import java.util.Optional;
import org.springframework.web.util.HtmlUtils;
import yendrik.core.id.StepId;
import yendrik.core.strand.work.Judgement;
import yendrik.core.strand.work.WorkFact;
import yendrik.server.design.TextFiles;
import yendrik.server.http.Problem;
import yendrik.server.http.SafeHtml;

/** What staff say about work: formatted, and its words alone for lists and letters. */
public final class Comments {
  private Comments() {}

  /**
   * @param comment formatted, as it came
   * @throws Problem naming the field {@code comment} where files stand in it
   */
  public static WorkFact.Marked marked(
      StepId step, int version, double points, double of, Judgement judgement, String comment) {
    String safe = SafeHtml.of(comment);
    if (!TextFiles.of(safe).isEmpty()) throw Problem.field("comment", "no-files-in-comment");
    if (OwnTexts.isBlank(safe))
      return new WorkFact.Marked(step, version, points, of, judgement, "");
    return new WorkFact.Marked(
        step, version, points, of, judgement, OwnTexts.plain(safe), Optional.of(safe));
  }

  /** The comment as safe HTML, empty where nothing was said. */
  public static String shown(WorkFact.Marked mark) {
    return mark.formatted()
        .orElseGet(() -> mark.comment().isBlank() ? "" : paragraph(mark.comment()));
  }

  private static String paragraph(String words) {
    return SafeHtml.of("<p>" + HtmlUtils.htmlEscape(words).replace("\n", "<br>") + "</p>");
  }
}
