package yendrik.server.kinds.video;

import java.net.URI;
import java.net.URISyntaxException;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import tools.jackson.databind.node.ObjectNode;
import yendrik.core.course.StepKind;
import yendrik.core.id.CourseId;
import yendrik.core.record.LearnerRecord;
import yendrik.core.strand.film.FilmStrand;
import yendrik.core.words.Phrase;
import yendrik.server.design.Carrying;
import yendrik.server.files.FileUse;
import yendrik.server.files.Files;
import yendrik.server.http.FilmHosts;
import yendrik.server.http.Problem;
import yendrik.server.kinds.DemoLearner;
import yendrik.server.kinds.DemoScript;
import yendrik.server.kinds.StepRoom;
import yendrik.server.learn.LearnerPart;
import yendrik.server.way.Walk;

/** A film to watch. */
@Component
class VideoRoom extends StepRoom<VideoContent, VideoAuthored, VideoEdit> {
  private final Files files;
  private final FilmHosts hosts;

  VideoRoom(Files files, FilmHosts hosts) {
    super(StepKind.VIDEO, VideoContent.class, VideoAuthored.class, VideoEdit.class);
    this.files = files;
    this.hosts = hosts;
  }

  @Override
  public Class<? extends LearnerPart> learnerPart() {
    return VideoShown.class;
  }

  @Override
  protected VideoContent fresh() {
    return new VideoContent("", Optional.empty(), Optional.empty(), List.of());
  }

  @Override
  protected ObjectNode now(ObjectNode kept) {
    // Before there were captions, a film had none.
    if (!kept.has("captions")) kept.putArray("captions");
    return kept;
  }

  @Override
  protected VideoAuthored part(VideoContent content) {
    return new VideoAuthored(content.film(), content.elsewhere(), content.captions());
  }

  @Override
  protected VideoEdit edit(VideoContent content) {
    return new VideoEdit(
        content.film().map(f -> new VideoEdit.FilmEdit(f.file(), f.seconds())),
        content.elsewhere(),
        content.captions());
  }

  @Override
  protected VideoContent checked(Place place, String body, VideoEdit edit) {
    if (edit.film().isPresent() && edit.elsewhere().isPresent())
      throw Problem.field("elsewhere", "one-film-only");
    edit.elsewhere().ifPresent(e -> checkAddress(e.address()));
    return new VideoContent(
        body,
        edit.film().map(f -> film(place.course(), f)),
        edit.elsewhere(),
        Caption.checked(edit.captions()));
  }

  private void checkAddress(String address) {
    if (hosts.hosts().isEmpty()) throw Problem.field("elsewhere", "no-film-hosts");
    try {
      if (!hosts.has(new URI(address)))
        throw Problem.field(
            "elsewhere", "film-host-not-allowed", "hosts", String.join(", ", hosts.hosts()));
    } catch (URISyntaxException e) {
      throw Problem.field("elsewhere", "no-address");
    }
  }

  private Film film(CourseId course, VideoEdit.FilmEdit sent) {
    Files.Kept file =
        files
            .of(course, sent.file())
            .filter(k -> FileUse.FILM.fits(k.mediaType()))
            .orElseThrow(() -> Problem.field("film", "no-such-film"));
    return new Film(file.id(), file.name(), file.mediaType(), sent.seconds());
  }

  @Override
  protected VideoContent carried(VideoContent content, Carrying to) {
    return new VideoContent(
        to.text(content.body()),
        content
            .film()
            .flatMap(f ->
                to.file(f.file())
                    .map(file -> new Film(file, f.name(), f.mediaType(), f.seconds()))),
        content.elsewhere(),
        content.captions());
  }

  @Override
  public LearnerPart part(Walk walk, int s) {
    FilmStrand played = FilmStrand.of(walk.progress().record());
    VideoContent content = walk.content(s, VideoContent.class);
    return new VideoShown(
        content
            .seconds()
            .map(seconds ->
                new VideoShown.FilmView(
                    content.film().map(Film::name).orElse(""),
                    content.elsewhere().map(Elsewhere::address),
                    seconds,
                    played.share(s),
                    played.parts(s),
                    content.captions())));
  }

  @Override
  public Phrase done(LearnerRecord record, int s, Phrase.Day day) {
    return Phrase.of("note.done.watched", "day", day);
  }

  @Override
  public VideoEdit written(DemoScript script) {
    Optional<Elsewhere> elsewhere =
        script
            .address()
            .flatMap(host ->
                script.film().map(f -> new Elsewhere(host + "films/" + f.name(), f.seconds())));
    return new VideoEdit(
        script
            .film()
            .filter(_ -> elsewhere.isEmpty())
            .map(f -> new VideoEdit.FilmEdit(f.file(), f.seconds())),
        elsewhere,
        script.captions().stream()
            .map(c -> new Caption(c.from() * 1000, c.to() * 1000, c.text()))
            .toList());
  }

  @Override
  public void doStep(DemoLearner by, String step, double ability) {
    by.watch(step);
  }
}
