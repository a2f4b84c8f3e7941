package yendrik.server.kinds.quiz.bank;

import java.util.Set;
import yendrik.core.id.QuestionId;

/** Content that asks questions of its course. */
public interface AsksFromBank {
  /** Those that everybody is asked. */
  Set<QuestionId> asked();

  /** Those that may be drawn. */
  Set<QuestionId> drawn();
}
