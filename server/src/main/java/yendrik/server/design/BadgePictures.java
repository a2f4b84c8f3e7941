package yendrik.server.design;

import static yendrik.schema.Tables.BADGE_PICTURE;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import org.jooq.DSLContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import yendrik.core.id.PersonId;
import yendrik.formats.badge.Drawing;
import yendrik.formats.badge.OwnPicture;
import yendrik.formats.badge.Png;
import yendrik.server.files.FileUse;
import yendrik.server.files.Files;
import yendrik.server.http.Problem;
import yendrik.server.people.Secrets;

/** Pictures of badges: those that are drawn, and those that somebody sent. */
@Service
@Transactional
public class BadgePictures {
  private final DSLContext db;
  private final Clock clock;
  private final Files files;
  private final BadgeSigns signs;

  BadgePictures(DSLContext db, Clock clock, Files files, BadgeSigns signs) {
    this.db = db;
    this.clock = clock;
    this.files = files;
    this.signs = signs;
  }

  /** Keeps a picture of a badge that was sent before; says by which hash. */
  String keep(PersonId by, String upload) {
    Files.Picture sent = files.picture(by, upload, FileUse.BADGE);
    return keep(by, sent.hash(), OwnPicture.of(sent.mediaType(), sent.content()));
  }

  /** The same of a written name. */
  String keepSignature(PersonId by, String upload) {
    Files.Picture sent = files.picture(by, upload, FileUse.SIGNATURE);
    // the same file may be a badge as well, which is cut otherwise
    String hash = Secrets.hash("signature " + sent.hash());
    return keep(by, hash, OwnPicture.signature(sent.content()));
  }

  private String keep(PersonId by, String hash, OwnPicture own) {
    db.insertInto(BADGE_PICTURE)
        .set(BADGE_PICTURE.HASH, hash)
        .set(BADGE_PICTURE.MEDIA_TYPE, own.mediaType())
        .set(BADGE_PICTURE.CONTENT, own.content())
        .set(BADGE_PICTURE.UPLOADED_BY, by)
        .set(BADGE_PICTURE.UPLOADED_AT, clock.instant())
        .onConflictDoNothing()
        .execute();
    return hash;
  }

  boolean has(String hash) {
    return db.fetchExists(BADGE_PICTURE, BADGE_PICTURE.HASH.eq(hash));
  }

  /**
   * A picture that somebody sent.
   *
   * @throws Problem if there is none
   */
  @Transactional(readOnly = true)
  public OwnPicture own(String hash) {
    return db.selectFrom(BADGE_PICTURE)
        .where(BADGE_PICTURE.HASH.eq(hash))
        .fetchOptional(p -> new OwnPicture(p.getMediaType(), p.getContent()))
        .orElseThrow(() -> Problem.notFound("file"));
  }

  /** What is shown of a badge, as it is kept: an SVG, or a PNG of one's own. */
  @Transactional(readOnly = true)
  public OwnPicture shown(BadgePicture picture) {
    return picture
        .own()
        .map(this::own)
        .orElseGet(() ->
            new OwnPicture(
                OwnPicture.SVG,
                Drawing.svg(picture.art(), signs.get(), picture.alt())
                    .getBytes(StandardCharsets.UTF_8)));
  }

  /** The same as PNG. */
  @Transactional(readOnly = true)
  public byte[] png(BadgePicture picture, int size) {
    return picture
        .own()
        .map(hash -> own(hash).png(size))
        .orElseGet(() -> Png.of(Drawing.svg(picture.art(), signs.get(), picture.alt()), size));
  }
}
