package yendrik.server.kinds.assignment;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import yendrik.core.id.StepId;
import yendrik.core.words.Phrase;
import yendrik.server.people.People;
import yendrik.server.post.Letter;
import yendrik.server.post.Outbox;
import yendrik.server.texts.OwnTexts;
import yendrik.server.way.Walk;
import yendrik.server.work.Versions;

/** Letters that say what was handed in, and when. */
@Component
class Receipts {
  private final Outbox outbox;
  private final People people;

  Receipts(Outbox outbox, People people) {
    this.outbox = outbox;
    this.people = people;
  }

  void write(Walk walk, StepId step, int version, Versions.Work work) {
    outbox.checkAnHour(walk.person(), 1);
    String name = walk.step(walk.index().number(step)).name();
    Phrase body =
        Phrase.of("receipt.body", "name", name(walk))
            .and("step", name)
            .and("course", walk.index().design().name())
            .and("n", version)
            .and("at", walk.writing().moment(walk.progress().asOf()))
            .and("what", String.join("\n", parts(walk, work)));
    outbox.put(
        List.of(
            new Letter(
                Optional.empty(),
                Optional.empty(),
                walk.person(),
                walk.writing().say(Phrase.of("receipt.subject", "step", name)),
                walk.writing().say(body),
                /* link= */ false,
                Optional.empty())));
  }

  private String name(Walk walk) {
    return people.names(List.of(walk.person())).getOrDefault(walk.person(), "");
  }

  private static List<String> parts(Walk walk, Versions.Work work) {
    List<String> parts = new ArrayList<>();
    if (!OwnTexts.isBlank(work.text()))
      parts.add(
          walk.writing().say(Phrase.of("receipt.text", "n", OwnTexts.plain(work.text()).length())));
    if (!work.link().isEmpty()) parts.add("- " + work.link());
    work.files().forEach(f -> parts.add("- " + f.name()));
    return parts;
  }
}
