package yendrik.formats.qti;

import java.io.BufferedInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongFunction;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import yendrik.core.quiz.Difficulty;
import yendrik.core.quiz.Question;
import yendrik.core.words.Phrase;
import yendrik.formats.refused.Unreadable;

/** Packages of questions, written and read. */
public final class QtiPackage {
  /** The most questions that are read at once. */
  public static final int MOST = 500;

  private static final String MANIFEST = "imsmanifest.xml";
  private static final String ITEM = "assessmentItem";

  private QtiPackage() {}

  /**
   * What was read. A question names a picture in {@code data-file} by its place among the files,
   * from 1.
   *
   * @param notes what was changed and what was left out
   */
  public record Reading(List<QtiQuestion> questions, List<QtiFile> files, List<QtiNote> notes) {
    public Reading {
      questions = List.copyOf(questions);
      files = List.copyOf(files);
      notes = List.copyOf(notes);
    }
  }

  /**
   * Reads a package, or one item that is XML alone.
   *
   * @throws Unreadable if it is broken, hostile, too large, or no package
   */
  public static Reading read(InputStream in) throws IOException {
    var whole = new BufferedInputStream(in);
    whole.mark(4);
    boolean zip = whole.read() == 'P' && whole.read() == 'K';
    whole.reset();
    var reader = new Reader(zip ? Pack.read(whole) : Pack.of("item.xml", whole.readAllBytes()));
    return zip ? reader.all() : reader.alone("item.xml");
  }

  private static final class Reader {
    private final Pack pack;
    private final List<QtiQuestion> questions = new ArrayList<>();
    private final List<QtiFile> files = new ArrayList<>();
    private final List<QtiNote> notes = new ArrayList<>();

    Reader(Pack pack) {
      this.pack = pack;
    }

    Reading alone(String path) {
      Tag item = pack.xml(path).orElseThrow(() -> Pack.refused("no-zip"));
      if (!item.is(ITEM)) throw Pack.refused("no-zip");
      item(item, path, List.of(), Optional.empty());
      return new Reading(questions, files, notes);
    }

    Reading all() {
      Tag manifest = pack.xml(MANIFEST).orElseThrow(() -> Pack.refused("no-manifest"));
      for (Tag resource : manifest.all("resource")) {
        String type = resource.attr("type").orElse("");
        String path = resource.attr("href").orElse("");
        if (questions.size() > MOST) throw Pack.refused("too-many", "most", MOST);
        if (type.startsWith("imsqti_item")) item(resource, path);
        else if (type.startsWith("imsqti_test") || type.startsWith("imsqti_assessment"))
          notes.add(new QtiNote(path, false, Phrase.of("qti.changed.test")));
      }
      if (questions.isEmpty() && notes.isEmpty()) throw Pack.refused("no-items");
      if (questions.size() > MOST) throw Pack.refused("too-many", "most", MOST);
      return new Reading(questions, files, notes);
    }

    private void item(Tag resource, String path) {
      Optional<Tag> item = pack.xml(path);
      if (item.isEmpty() || !item.get().is(ITEM)) {
        notes.add(new QtiNote(path, true, Phrase.of("qti.left.no-file")));
        return;
      }
      List<String> tags =
          resource.all("keyword").stream()
              .map(Tag::text)
              .filter(tag -> !tag.isEmpty() && tag.length() <= 60)
              .distinct()
              .limit(10)
              .toList();
      item(item.get(), path, tags, difficulty(resource));
    }

    /** By the words that LOM has for it. */
    private static Optional<Difficulty> difficulty(Tag resource) {
      return resource
          .first("difficulty")
          .flatMap(d -> d.first("value"))
          .map(Tag::text)
          .flatMap(said ->
              switch (said) {
                case "very easy", "easy" -> Optional.of(Difficulty.EASY);
                case "medium" -> Optional.of(Difficulty.MIDDLING);
                case "difficult", "very difficult" -> Optional.of(Difficulty.HARD);
                default -> Optional.empty();
              });
    }

    private void item(Tag tag, String path, List<String> tags, Optional<Difficulty> difficulty) {
      int had = files.size();
      var item =
          new ReadItem(tag, new Shows(pack, path.substring(0, path.lastIndexOf('/') + 1), files));
      try {
        Question question = item.read("q" + (questions.size() + 1));
        questions.add(new QtiQuestion(question, tags, difficulty));
        notes.addAll(item.notes());
      } catch (Left left) {
        files.subList(had, files.size()).clear();
        notes.add(new QtiNote(item.title().isBlank() ? path : item.title(), true, left.why()));
      }
    }
  }

  /** What a package will not say of some questions. */
  public static List<QtiNote> leaves(List<QtiQuestion> questions) {
    List<QtiNote> notes = new ArrayList<>();
    for (QtiQuestion q : questions) notes.addAll(WrittenItem.leaves(q.question()));
    return notes;
  }

  /**
   * Writes a package of version 3.0.
   *
   * @param file what a picture's number stands for; what is not there is left out
   */
  public static void write(
      List<QtiQuestion> questions, LongFunction<Optional<QtiFile>> file, OutputStream out)
      throws IOException {
    try (var zip = new ZipOutputStream(out)) {
      List<Manifest.Resource> resources = new ArrayList<>();
      Map<Long, Optional<WrittenItem.Packed>> packed = new HashMap<>();
      for (QtiQuestion q : questions) {
        int n = resources.size() + 1;
        var item =
            new WrittenItem(
                q.question(),
                "item-" + n,
                id -> packed.computeIfAbsent(id, _ -> pack(zip, id, file.apply(id))));
        put(zip, "items/item-" + n + ".xml", item.xml());
        resources.add(
            new Manifest.Resource("item-" + n, q.tags(), q.difficulty(), item.pictures()));
      }
      put(zip, MANIFEST, Manifest.of(resources));
    }
  }

  private static Optional<WrittenItem.Packed> pack(
      ZipOutputStream zip, long id, Optional<QtiFile> file) {
    return file.map(f -> {
      String name = f.name().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9.]+", "-");
      String path = "pictures/" + id + "-" + name.replaceAll("\\.{2,}", ".");
      try {
        put(zip, "items/" + path, f.content());
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
      return new WrittenItem.Packed(path, Size.of(f.content()).orElse(new Size(1000, 1000)));
    });
  }

  private static void put(ZipOutputStream zip, String path, byte[] content) throws IOException {
    zip.putNextEntry(new ZipEntry(path));
    zip.write(content);
    zip.closeEntry();
  }
}
