package yendrik.formats.credential;

import java.io.ByteArrayOutputStream;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.zip.CRC32;
import java.util.zip.DataFormatException;
import java.util.zip.Inflater;
import yendrik.core.Refusal;

/**
 * Credentials within pictures: a chunk of text in a PNG (ISO/IEC 15948, iTXt), an element in an
 * SVG, as Open Badges 2.0 and 3.0 say.
 */
public final class Baking {
  private static final byte[] PNG = {(byte) 0x89, 'P', 'N', 'G', '\r', '\n', 0x1a, '\n'};
  private static final int MOST = 1 << 20;

  /** Which standard a credential is of. */
  public enum Kind {
    /** Open Badges 3.0. */
    CREDENTIAL("openbadgecredential", "https://purl.imsglobal.org/ob/v3p0", "credential"),
    /** Open Badges 2.0. */
    ASSERTION("openbadges", "http://openbadges.org", "assertion");

    private final String keyword;
    private final String namespace;
    private final String element;

    Kind(String keyword, String namespace, String element) {
      this.keyword = keyword;
      this.namespace = namespace;
      this.element = element;
    }
  }

  /** What was found in a picture. */
  public record Baked(Kind kind, String text) {}

  private Baking() {}

  public static boolean isPng(byte[] file) {
    return file.length > PNG.length && Arrays.equals(file, 0, PNG.length, PNG, 0, PNG.length);
  }

  /** A PNG with a credential in it, in the place of any that was there. */
  public static byte[] intoPng(byte[] png, Kind kind, String text) {
    var out = new ByteArrayOutputStream(png.length + text.length() + 64);
    out.writeBytes(PNG);
    for (Chunk chunk : chunks(png)) {
      if (chunk.isOf(kind)) continue;
      out.writeBytes(chunk.written());
      if (chunk.type().equals("IHDR")) out.writeBytes(Chunk.of(kind, text).written());
    }
    return out.toByteArray();
  }

  /** All that is in a PNG. */
  static List<Baked> inPng(byte[] png) {
    List<Baked> all = new ArrayList<>();
    for (Chunk chunk : chunks(png))
      for (Kind kind : Kind.values())
        if (chunk.isOf(kind)) all.add(new Baked(kind, chunk.text(kind)));
    return all;
  }

  private record Chunk(String type, byte[] data) {
    static Chunk of(Kind kind, String text) {
      var data = new ByteArrayOutputStream();
      data.writeBytes(kind.keyword.getBytes(StandardCharsets.ISO_8859_1));
      // end of the keyword, not packed, no method, no language, no keyword translated
      data.writeBytes(new byte[5]);
      data.writeBytes(text.getBytes(StandardCharsets.UTF_8));
      return new Chunk("iTXt", data.toByteArray());
    }

    boolean isOf(Kind kind) {
      byte[] keyword = kind.keyword.getBytes(StandardCharsets.ISO_8859_1);
      return (type.equals("iTXt") || type.equals("tEXt"))
          && data.length > keyword.length
          && data[keyword.length] == 0
          && Arrays.equals(data, 0, keyword.length, keyword, 0, keyword.length);
    }

    String text(Kind kind) {
      int at = kind.keyword.length() + 1;
      if (type.equals("tEXt"))
        return new String(data, at, data.length - at, StandardCharsets.ISO_8859_1);
      if (data.length < at + 2) throw new Refusal("picture-broken");
      boolean packed = data[at] == 1;
      at += 2;
      for (int zeros = 0; zeros < 2; at++) {
        if (at >= data.length) throw new Refusal("picture-broken");
        if (data[at] == 0) zeros++;
      }
      byte[] text = Arrays.copyOfRange(data, at, data.length);
      return new String(packed ? unpacked(text) : text, StandardCharsets.UTF_8);
    }

    byte[] written() {
      byte[] name = type.getBytes(StandardCharsets.ISO_8859_1);
      var crc = new CRC32();
      crc.update(name);
      crc.update(data);
      return ByteBuffer.allocate(12 + data.length)
          .putInt(data.length)
          .put(name)
          .put(data)
          .putInt((int) crc.getValue())
          .array();
    }
  }

  private static byte[] unpacked(byte[] packed) {
    var inflater = new Inflater();
    inflater.setInput(packed);
    byte[] all = new byte[MOST];
    try {
      int long_ = inflater.inflate(all);
      if (!inflater.finished()) throw new Refusal("picture-broken");
      return Arrays.copyOf(all, long_);
    } catch (DataFormatException e) {
      throw new Refusal("picture-broken");
    } finally {
      inflater.end();
    }
  }

  private static List<Chunk> chunks(byte[] png) {
    if (!isPng(png)) throw new Refusal("picture-broken");
    List<Chunk> all = new ArrayList<>();
    ByteBuffer in = ByteBuffer.wrap(png, PNG.length, png.length - PNG.length);
    while (in.remaining() >= 12) {
      int long_ = in.getInt();
      byte[] name = new byte[4];
      in.get(name);
      if (long_ < 0 || long_ > in.remaining() - 4) throw new Refusal("picture-broken");
      byte[] data = new byte[long_];
      in.get(data);
      var crc = new CRC32();
      crc.update(name);
      crc.update(data);
      if ((int) crc.getValue() != in.getInt()) throw new Refusal("picture-broken");
      var chunk = new Chunk(new String(name, StandardCharsets.ISO_8859_1), data);
      all.add(chunk);
      if (chunk.type().equals("IEND")) return all;
    }
    throw new Refusal("picture-broken");
  }

  private static final Pattern ROOT = Pattern.compile("<svg\\b[^>]*>");

  /** An SVG with a credential in it, in the place of any that was there. */
  public static String intoSvg(String svg, Kind kind, String text) {
    String bare = element(kind).matcher(svg).replaceAll("");
    Matcher root = ROOT.matcher(bare);
    if (!root.find() || root.group().endsWith("/>")) throw new Refusal("picture-broken");
    boolean token = !text.startsWith("{");
    String name = "openbadges:" + kind.element;
    String baked =
        "<"
            + name
            + " xmlns:openbadges=\""
            + kind.namespace
            + "\""
            + (token
                ? " verify=\"" + text + "\"/>"
                : "><![CDATA[" + cut(text) + "]]></" + name + ">");
    return bare.substring(0, root.end()) + baked + bare.substring(root.end());
  }

  /** What ends a section of text may stand in a credential: then it is two sections. */
  private static String cut(String text) {
    return text.replace("]]>", "]]]]><![CDATA[>");
  }

  private static Pattern element(Kind kind) {
    String name = "(?:\\w+:)?" + kind.element;
    return Pattern.compile("<" + name + "\\b[^>]*?(?:/>|>.*?</" + name + ">)", Pattern.DOTALL);
  }

  /** All that is in an SVG. */
  static List<Baked> inSvg(byte[] svg) {
    return SvgReading.of(svg);
  }

  static String namespace(Kind kind) {
    return kind.namespace;
  }

  static String elementOf(Kind kind) {
    return kind.element;
  }
}
