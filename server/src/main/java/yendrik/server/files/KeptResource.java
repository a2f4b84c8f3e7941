package yendrik.server.files;

import java.io.InputStream;
import java.util.Objects;
import java.util.function.IntFunction;
import org.jspecify.annotations.Nullable;
import org.springframework.core.io.AbstractResource;

/** A kept file as something that can be sent in stretches; skipping reads nothing. */
public final class KeptResource extends AbstractResource {
  private final Files.Kept file;
  private final IntFunction<byte[]> parts;

  KeptResource(Files.Kept file, IntFunction<byte[]> parts) {
    this.file = file;
    this.parts = parts;
  }

  @Override
  public String getDescription() {
    return "file " + file.id();
  }

  @Override
  public String getFilename() {
    return file.name();
  }

  @Override
  public boolean exists() {
    return true;
  }

  @Override
  public long contentLength() {
    return file.bytes();
  }

  @Override
  public InputStream getInputStream() {
    return new Stream();
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof KeptResource r && r.file.id() == file.id();
  }

  @Override
  public int hashCode() {
    return Long.hashCode(file.id());
  }

  private final class Stream extends InputStream {
    private long at;
    private int number = -1;
    private byte[] part = {};

    @Override
    public int read() {
      byte[] one = new byte[1];
      return read(one, 0, 1) < 0 ? -1 : one[0] & 0xff;
    }

    @Override
    public int read(byte[] into, int from, int most) {
      Objects.checkFromIndexSize(from, most, into.length);
      if (most == 0) return 0;
      if (at >= file.bytes()) return -1;
      int wanted = (int) (at / Files.PART);
      if (wanted != number) {
        part = parts.apply(wanted);
        number = wanted;
      }
      int offset = (int) (at % Files.PART);
      int n = Math.min(most, part.length - offset);
      System.arraycopy(part, offset, into, from, n);
      at += n;
      return n;
    }

    @Override
    public long skip(long n) {
      long skipped = Math.clamp(n, 0, file.bytes() - at);
      at += skipped;
      return skipped;
    }
  }
}
