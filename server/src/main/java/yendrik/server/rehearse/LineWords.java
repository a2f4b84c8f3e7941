package yendrik.server.rehearse;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import yendrik.core.check.CheckWords;
import yendrik.core.course.CourseDesign;
import yendrik.core.progress.Decision;
import yendrik.core.rehearse.Line;
import yendrik.core.rehearse.Played;
import yendrik.core.rule.Condition;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.words.Wording;
import yendrik.core.words.Phrase;
import yendrik.core.words.Writing;

/** Says lines of rehearsals, and what came of them. */
final class LineWords {
  private final Writing writing;
  private final Wording wording;
  private final CheckWords names;

  LineWords(CourseDesign design, Writing writing) {
    this.writing = writing;
    wording = new Wording(design, writing);
    names = new CheckWords(design, writing);
  }

  String says(Line line) {
    return writing.say(
        switch (line) {
          case Line.AsIf asIf ->
              Phrase.of(
                  "rehearse.as-if",
                  "rule",
                  wording.line(
                      new Condition.Ask(new NodeId("line"), asIf.leaf()),
                      new RuleAt.CourseComplete()));
          case Line.Later later -> Phrase.of("rehearse.later", "n", later.days());
          case Line.Given given ->
              Phrase.of(
                  "rehearse.given." + given.grant(),
                  "step",
                  thing(new RuleAt.StepOpens(given.step())));
          case Line.Expect expect ->
              Phrase.of(
                  "rehearse.expect." + CheckWords.kind(expect.at()),
                  "thing",
                  thing(expect.at()),
                  "so",
                  expect.so() ? "yes" : "no");
        });
  }

  private Phrase thing(RuleAt at) {
    return Phrase.quoted(names.name(at));
  }

  String cannot(Played played) {
    return played
        .cannot()
        .map(why -> writing.say(Phrase.of("rehearse.cannot." + why)))
        .orElseGet(() -> writing.say(Phrase.of("rehearse.not-so")));
  }

  /** The first line that is not as it should be. */
  String difference(int n, Played played) {
    return writing.say(
        Phrase.of(
            "rehearse.difference", "n", n, "line", says(played.line()), "why", cannot(played)));
  }

  /** What came of a line, all of a sort together. */
  List<String> came(Played played) {
    Map<String, List<Phrase>> bySort = new LinkedHashMap<>();
    for (Decision decision : played.came())
      bySort.computeIfAbsent(sort(decision), _ -> new ArrayList<>()).add(thing(about(decision)));
    return bySort.entrySet().stream()
        .map(e ->
            writing.say(
                Phrase.of(
                    "rehearse.came." + e.getKey(), "things", new Phrase.Listed(e.getValue()))))
        .toList();
  }

  private static String sort(Decision decision) {
    return switch (decision) {
      case Decision.Opened _ -> "opened";
      case Decision.Done _, Decision.ModuleDone _ -> "done";
      case Decision.BadgeEarned _ -> "earned";
      case Decision.CourseCompleted _ -> "complete";
      case Decision.FlagRaised _ -> "flag-up";
      case Decision.FlagLowered _ -> "flag-down";
    };
  }

  private static RuleAt about(Decision decision) {
    return switch (decision) {
      case Decision.Opened d -> new RuleAt.StepOpens(d.step());
      case Decision.Done d -> new RuleAt.StepDone(d.step());
      case Decision.ModuleDone d -> new RuleAt.ModuleDone(d.module());
      case Decision.BadgeEarned d -> new RuleAt.BadgeEarned(d.badge());
      case Decision.CourseCompleted _ -> new RuleAt.CourseComplete();
      case Decision.FlagRaised d -> new RuleAt.FlagRaised(d.flag());
      case Decision.FlagLowered d -> new RuleAt.FlagRaised(d.flag());
    };
  }
}
