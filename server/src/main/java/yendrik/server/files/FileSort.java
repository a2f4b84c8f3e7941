package yendrik.server.files;

import java.util.Set;

/** What a file is to people. */
public enum FileSort {
  TEXT(
      Set.of(
          "application/pdf",
          "application/msword",
          "application/rtf",
          "application/vnd.oasis.opendocument.text",
          "application/vnd.openxmlformats-officedocument.wordprocessingml.document",
          "text/markdown",
          "text/plain",
          "text/x-web-markdown")),
  SHEET(
      Set.of(
          "application/vnd.ms-excel",
          "application/vnd.oasis.opendocument.spreadsheet",
          "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
          "text/csv")),
  SLIDES(
      Set.of(
          "application/vnd.ms-powerpoint",
          "application/vnd.oasis.opendocument.presentation",
          "application/vnd.openxmlformats-officedocument.presentationml.presentation")),
  PICTURE(Set.of("image/png", "image/jpeg", "image/gif", "image/webp", "image/heic")),
  /** What browsers record is a box for films, also where only sound is in it. */
  SOUND(
      Set.of(
          "video/webm",
          "video/mp4",
          "audio/webm",
          "audio/mpeg",
          "audio/mp4",
          "audio/ogg",
          "audio/vorbis",
          "audio/vnd.wave")),
  FILM(Set.of("video/webm", "video/mp4", "video/quicktime", "application/x-matroska"));

  private final Set<String> types;

  FileSort(Set<String> types) {
    this.types = types;
  }

  /** Whether a file of this media type is of the sort. */
  public boolean holds(String mediaType) {
    return types.contains(mediaType);
  }
}
