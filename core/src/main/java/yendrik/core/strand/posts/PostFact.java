package yendrik.core.strand.posts;

import java.util.Optional;
import yendrik.core.id.PostId;
import yendrik.core.id.StepId;
import yendrik.core.record.Fact;
import yendrik.core.record.Strand;
import yendrik.core.words.Phrase;

/** What a learner wrote for others to read; taken back when it is removed. */
public sealed interface PostFact extends Fact.OfStrand {
  /** What was written. */
  PostId post();

  @Override
  default Strand.Door<PostsStrand> strand() {
    return PostsStrand.DOOR;
  }

  /** Something of the learner's own, which is no answer. */
  record Posted(StepId step, PostId post) implements PostFact {
    @Override
    public Optional<Phrase> says(Phrase step) {
      return Optional.of(Phrase.of("fact.posted", "step", step));
    }
  }

  /** An answer to what somebody wrote. */
  record Replied(StepId step, PostId post) implements PostFact {
    @Override
    public Optional<Phrase> says(Phrase step) {
      return Optional.of(Phrase.of("fact.replied", "step", step));
    }
  }
}
