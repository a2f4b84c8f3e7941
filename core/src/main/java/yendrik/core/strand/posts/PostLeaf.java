package yendrik.core.strand.posts;

import java.util.Optional;
import yendrik.core.id.StepId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.rule.Turn;
import yendrik.core.rule.look.Reading;
import yendrik.core.rule.look.Sight;
import yendrik.core.rule.look.StepProbe;
import yendrik.core.strand.StepLeaf;
import yendrik.core.strand.StepNames;
import yendrik.core.words.Ground;
import yendrik.core.words.Phrase;
import yendrik.core.words.Question;

/** How much somebody wrote for others to read. */
public sealed interface PostLeaf extends StepLeaf {
  /** At least so many posts, replies not among them. */
  record Posted(StepId step, int times) implements PostLeaf {
    public Posted {
      StepLeaf.positive(times, "posts");
    }

    @Override
    public Posted at(StepId other) {
      return new Posted(other, times);
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      enough(PostsStrand.of(record).posts(step), times, step, sight, reading);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.posted", "n", times);
    }

    @Override
    public boolean implies(StepLeaf other) {
      return other instanceof Posted(var s, var n) && s.equals(step) && n <= times;
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      PostsStrand posts = PostsStrand.of(record);
      return Ground.of(Phrase.of("ground.posted", "n", posts.posts(step)), posts.lastAt(step));
    }
  }

  /** At least so many replies to posts of others. */
  record Replied(StepId step, int times) implements PostLeaf {
    public Replied {
      StepLeaf.positive(times, "replies");
    }

    @Override
    public Replied at(StepId other) {
      return new Replied(other, times);
    }

    @Override
    public void ask(int step, Sight sight, LearnerRecord record, Reading reading) {
      enough(PostsStrand.of(record).replies(step), times, step, sight, reading);
    }

    @Override
    public Question says(StepNames step) {
      return step.asks("ask.replied", "n", times);
    }

    @Override
    public boolean implies(StepLeaf other) {
      return other instanceof Replied(var s, var n) && s.equals(step) && n <= times;
    }

    @Override
    public Optional<Ground> ground(LearnerRecord record, int step) {
      PostsStrand posts = PostsStrand.of(record);
      return Ground.of(Phrase.of("ground.replied", "n", posts.replies(step)), posts.lastAt(step));
    }
  }

  private static void enough(int made, int times, int step, Sight sight, Reading reading) {
    if (made >= times) reading.met();
    else StepProbe.missing(step, sight, reading, (double) made / times, Turn.LEARNER);
  }
}
