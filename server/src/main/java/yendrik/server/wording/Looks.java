package yendrik.server.wording;

import static yendrik.schema.Tables.INSTITUTION;
import static yendrik.schema.Tables.INSTITUTION_PICTURE;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Email;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.util.EnumMap;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.look.Colour;
import yendrik.core.look.Look;
import yendrik.core.words.OwnWords;
import yendrik.schema.tables.records.InstitutionRecord;
import yendrik.server.files.Files;
import yendrik.server.http.FieldChanges;
import yendrik.server.http.FieldsEdit;
import yendrik.server.http.PlainText;
import yendrik.server.http.Problem;
import yendrik.server.http.WebAddress;

/** What the institution is called, how it looks and what it says to learners. */
@Service
@Transactional
class Looks {
  private final DSLContext db;
  private final FieldChanges changes;
  private final Wordings wordings;

  Looks(DSLContext db, FieldChanges changes, Wordings wordings) {
    this.db = db;
    this.changes = changes;
    this.wordings = wordings;
  }

  /**
   * @param band empty for the colour that ships, as the others
   */
  @Schema(name = "InstitutionEdit")
  record Edit(
      @NotBlank @Size(max = 200) @PlainText String name,
      @NotBlank @Size(max = 200) @PlainText String issuer,
      @NotNull @Size(max = 500) String issuerAddress,
      @NotNull @Size(max = 200) @Email(message = "Email") String issuerEmail,
      @NotNull @Pattern(regexp = COLOUR, message = "colour") String band,
      @NotNull @Pattern(regexp = COLOUR, message = "colour") String bandDark,
      @NotNull @Pattern(regexp = COLOUR, message = "colour") String act,
      @NotNull @Pattern(regexp = COLOUR, message = "colour") String actDark,
      @NotNull @Size(max = OwnWords.MOST) String handedIn,
      @NotNull @Size(max = OwnWords.MOST) String waiting,
      @NotNull @Size(max = OwnWords.MOST) String passed,
      @NotNull @Size(max = OwnWords.MOST) String again,
      @NotNull @Size(max = OwnWords.MOST) String done,
      @NotNull @Size(max = OwnWords.MOST) String completed) {
    private static final String COLOUR = "(#[0-9a-fA-F]{6})?";

    private WordsEdit words() {
      return new WordsEdit(handedIn, waiting, passed, again, done, completed);
    }

    private Look look() {
      Map<Look.Place, Colour> colours = new EnumMap<>(Look.Place.class);
      for (Look.Place place : Look.Place.values()) {
        String written =
            switch (place) {
              case BAND -> band;
              case BAND_DARK -> bandDark;
              case ACT -> act;
              case ACT_DARK -> actDark;
            };
        if (!written.isEmpty()) colours.put(place, Colour.of(written));
      }
      return new Look(colours).checked();
    }
  }

  /**
   * @param shipped the colours that ship, and what is said where nothing is written
   */
  @Schema(name = "InstitutionView")
  record View(Edit own, Edit shipped, Optional<String> picture) {}

  @Transactional(readOnly = true)
  View view() {
    InstitutionRecord row = db.selectFrom(INSTITUTION).fetchSingle();
    Optional<String> picture =
        db.select(INSTITUTION_PICTURE.HASH)
            .from(INSTITUTION_PICTURE)
            .fetchOptional(INSTITUTION_PICTURE.HASH);
    Map<Look.Place, Colour> shipped = new EnumMap<>(Look.Place.class);
    for (Look.Place place : Look.Place.values()) shipped.put(place, place.shipped());
    return new View(
        edit(row, row.getLook(), row.getOwnWords()),
        edit(row, new Look(shipped), wordings.shipped()),
        picture);
  }

  private static Edit edit(InstitutionRecord row, Look look, OwnWords said) {
    WordsEdit words = WordsEdit.of(said);
    return new Edit(
        row.getName(),
        row.getIssuer(),
        row.getIssuerAddress(),
        row.getIssuerEmail(),
        written(look, Look.Place.BAND),
        written(look, Look.Place.BAND_DARK),
        written(look, Look.Place.ACT),
        written(look, Look.Place.ACT_DARK),
        words.handedIn(),
        words.waiting(),
        words.passed(),
        words.again(),
        words.done(),
        words.completed());
  }

  private static String written(Look look, Look.Place place) {
    return Optional.ofNullable(look.colours().get(place)).map(Colour::written).orElse("");
  }

  void change(FieldsEdit fields) {
    InstitutionRecord row = db.selectFrom(INSTITUTION).forNoKeyUpdate().fetchSingle();
    Edit edit = changes.apply(edit(row, row.getLook(), row.getOwnWords()), fields, this::view);
    db.update(INSTITUTION)
        .set(INSTITUTION.NAME, edit.name().strip())
        .set(INSTITUTION.ISSUER, edit.issuer().strip())
        .set(INSTITUTION.ISSUER_ADDRESS, address(edit.issuerAddress()))
        .set(INSTITUTION.ISSUER_EMAIL, edit.issuerEmail().strip())
        .set(INSTITUTION.LOOK, edit.look())
        .set(INSTITUTION.OWN_WORDS, edit.words().words())
        .execute();
  }

  private static String address(String typed) {
    return typed.isBlank() ? "" : WebAddress.of("issuerAddress", typed.strip());
  }

  /** Puts a picture beside the name, in the place of the one that is there. */
  void picture(Files.Picture picture) {
    db.insertInto(INSTITUTION_PICTURE)
        .set(INSTITUTION_PICTURE.HASH, picture.hash())
        .set(INSTITUTION_PICTURE.MEDIA_TYPE, picture.mediaType())
        .set(INSTITUTION_PICTURE.CONTENT, picture.content())
        .onConflict(INSTITUTION_PICTURE.ID)
        .doUpdate()
        .setAllToExcluded()
        .execute();
  }

  void noPicture() {
    db.deleteFrom(INSTITUTION_PICTURE).execute();
  }

  /**
   * The picture beside the name.
   *
   * @throws Problem if there is none, or another one
   */
  @Transactional(readOnly = true)
  Files.Picture picture(String hash) {
    return db.selectFrom(INSTITUTION_PICTURE)
        .where(INSTITUTION_PICTURE.HASH.eq(hash))
        .fetchOptional(p -> new Files.Picture(p.getHash(), p.getMediaType(), p.getContent()))
        .orElseThrow(() -> Problem.notFound("file"));
  }
}
