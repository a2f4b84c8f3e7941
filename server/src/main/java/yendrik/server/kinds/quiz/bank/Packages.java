package yendrik.server.kinds.quiz.bank;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import yendrik.core.id.CourseId;
import yendrik.core.quiz.Lack;
import yendrik.core.quiz.Question;
import yendrik.core.words.Phrase;
import yendrik.formats.qti.QtiFile;
import yendrik.formats.qti.QtiNote;
import yendrik.formats.qti.QtiPackage;
import yendrik.formats.qti.QtiQuestion;
import yendrik.server.design.Carrying;
import yendrik.server.files.FileUse;
import yendrik.server.files.Files;
import yendrik.server.institution.Institutions;
import yendrik.server.kinds.quiz.bank.BankForms.BankEdit;
import yendrik.server.kinds.quiz.bank.BankForms.BankView;
import yendrik.server.kinds.quiz.bank.BankForms.NoteView;
import yendrik.server.kinds.quiz.bank.BankForms.PackageView;
import yendrik.server.kinds.quiz.bank.BankForms.ReadView;
import yendrik.server.kinds.quiz.question.KeptQuestion;
import yendrik.server.kinds.quiz.question.Questions;
import yendrik.server.people.Seat;

/** Questions of a course as packages of an open standard, out and in. */
@Service
class Packages {
  private final Bank bank;
  private final BankQuestions rows;
  private final Questions questions;
  private final Files files;
  private final Institutions institutions;

  Packages(
      Bank bank, BankQuestions rows, Questions questions, Files files, Institutions institutions) {
    this.bank = bank;
    this.rows = rows;
    this.questions = questions;
    this.files = files;
    this.institutions = institutions;
  }

  // --- out --------------------------------------------------------------------------------------
  private List<QtiQuestion> all(CourseId course) {
    return rows.of(course).stream()
        .map(b -> new QtiQuestion(questions.question(b.question()), b.tags(), b.difficulty()))
        .toList();
  }

  /** What a package of all questions will not say. */
  List<NoteView> leaves(CourseId course) {
    return QtiPackage.leaves(all(course)).stream().map(this::view).toList();
  }

  void write(CourseId course, OutputStream out) throws IOException {
    QtiPackage.write(
        all(course), id -> files.of(course, id).filter(Packages::isPicture).map(this::file), out);
  }

  /** What stands as a picture but is none would be as large as any file. */
  private static boolean isPicture(Files.Kept kept) {
    return FileUse.PICTURE.fits(kept.mediaType()) && kept.bytes() <= FileUse.PICTURE.most();
  }

  private QtiFile file(Files.Kept kept) {
    try {
      return new QtiFile(kept.name(), files.content(kept).getContentAsByteArray());
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private NoteView view(QtiNote note) {
    return new NoteView(note.where(), note.left(), institutions.say(note.says()));
  }

  // --- in ---------------------------------------------------------------------------------------
  /**
   * What of a package can be taken: its pictures are looked at before anything is kept.
   *
   * @param pictures by their numbers, those that can be shown
   */
  private record Fit(
      List<QtiQuestion> questions, Map<Long, QtiFile> pictures, List<QtiNote> notes) {}

  private Fit fit(QtiPackage.Reading reading) {
    Map<Long, QtiFile> pictures = new HashMap<>();
    for (int n = 0; n < reading.files().size(); n++) {
      QtiFile file = reading.files().get(n);
      var content = new ByteArrayInputStream(file.content());
      if (files.accepts(file.name(), content, FileUse.PICTURE)) pictures.put(n + 1L, file);
    }
    List<QtiQuestion> taken = new ArrayList<>();
    List<QtiNote> notes = new ArrayList<>(reading.notes());
    Carrying to = id -> Optional.of(id).filter(pictures::containsKey);
    for (QtiQuestion read : reading.questions()) {
      KeptQuestion kept = questions.keep(read.question());
      Question there = questions.question(kept.carried(to));
      String where = there.text();
      Optional<Lack> lack = there.lacks().stream().findFirst();
      if (lack.isPresent())
        notes.add(
            new QtiNote(where, true, Phrase.of("qti.left.lacks", "lacks", lack.get().words())));
      else taken.add(read);
      if (lack.isEmpty() && !pictures.keySet().containsAll(kept.files()))
        notes.add(new QtiNote(where, false, Phrase.of("qti.changed.not-shown")));
    }
    return new Fit(taken, pictures, notes);
  }

  /** What a package would bring; nothing is kept. */
  PackageView reading(QtiPackage.Reading reading) {
    Fit fit = fit(reading);
    List<ReadView> read = new ArrayList<>();
    for (QtiQuestion q : fit.questions())
      read.add(
          new ReadView(read.size() + 1, questions.written(q.question()), q.tags(), q.difficulty()));
    return new PackageView(read, fit.notes().stream().map(this::view).toList());
  }

  /** Takes what can be taken of a package: all of that or, where something fails, nothing. */
  List<BankView> take(Seat seat, QtiPackage.Reading reading) {
    Fit fit = fit(reading);
    Map<Long, Long> kept = new HashMap<>();
    fit.pictures()
        .forEach((number, file) ->
            kept.put(
                number,
                files
                    .keep(
                        seat.course(),
                        seat.person().id(),
                        file.name(),
                        new ByteArrayInputStream(file.content()),
                        FileUse.PICTURE)
                    .id()));
    Carrying to = id -> Optional.ofNullable(kept.get(id));
    return bank.addAll(
        seat.course(),
        fit.questions().stream()
            .map(q ->
                new BankEdit(
                    questions.written(questions.keep(q.question()).carried(to)),
                    q.tags(),
                    q.difficulty()))
            .toList());
  }
}
