package yendrik.bench;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import yendrik.formats.badge.Art;
import yendrik.formats.badge.Drawing;
import yendrik.formats.badge.Png;
import yendrik.formats.badge.Signs;
import yendrik.formats.certificate.Certificate;
import yendrik.formats.certificate.CertificatePdf;
import yendrik.formats.certificate.Letters;
import yendrik.formats.certificate.Sheet;
import yendrik.formats.credential.Around;
import yendrik.formats.credential.Checked;
import yendrik.formats.credential.Checking;
import yendrik.formats.credential.DataIntegrity;
import yendrik.formats.credential.IssuerKeys;
import yendrik.formats.credential.OpenBadge;
import yendrik.formats.credential.Proving;
import yendrik.formats.credential.Token;

/** A badge of eight outcomes, with its picture: signed in both ways, checked, and printed. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 3)
@Measurement(iterations = 5, time = 3)
@Fork(1)
public class SigningBench {
  private static final Instant NOON = Instant.parse("2026-11-24T12:00:00Z");
  private static final int OUTCOMES = 8;

  private final IssuerKeys keys = IssuerKeys.made();
  private final Letters letters = new Letters(List.of());
  private final byte[] picture = Png.of(Drawing.svg(Art.PLAIN, Signs.NONE, ""), 256);
  private final Proving proving = new Proving();
  private byte[] file;
  private Certificate certificate;

  private OpenBadge badge() {
    List<OpenBadge.Outcome> outcomes = new ArrayList<>();
    List<OpenBadge.Result> results = new ArrayList<>();
    for (int i = 0; i < OUTCOMES; i++) {
      UUID id = new UUID(1, i);
      outcomes.add(
          new OpenBadge.Outcome(
              id,
              "https://hollowlane.example/ims/case/v1p1/CFItems/" + id,
              "O" + i,
              "Outcome of the bench number " + i,
              "Cycle Mechanic Foundations",
              List.of("Watching", "With help", "On my own", "Can teach it"),
              "On my own"));
      results.add(new OpenBadge.Result(id, "On my own"));
    }
    return new OpenBadge(
        UUID.randomUUID(),
        NOON,
        Optional.of(NOON.plusSeconds(86_400)),
        new OpenBadge.Issuer(
            "Hollow Lane Workshop School",
            Optional.of("https://hollowlane.example"),
            Optional.empty(),
            Optional.empty()),
        OpenBadge.Holder.of("juno@hollowlane.example", UUID.randomUUID().toString()),
        new OpenBadge.Achievement(
            "urn:uuid:6f6b3c1e-0a55-4bb4-9a39-111111111111",
            "Certificate",
            "Foundations certificate",
            "Services a bicycle from end to end.",
            "All outcomes at mastery, approved by a facilitator",
            Optional.of("data:image/png;base64," + Base64.getEncoder().encodeToString(picture)),
            "A bicycle",
            List.of("bicycle", "repair"),
            outcomes),
        results,
        Optional.empty(),
        Optional.of(new OpenBadge.Status("https://hollowlane.example/status/1", 94)));
  }

  @Setup(Level.Trial)
  public void begin() {
    file = proof().getBytes(java.nio.charset.StandardCharsets.UTF_8);
    List<Certificate.Shown> shown = new ArrayList<>();
    for (int i = 0; i < OUTCOMES; i++)
      shown.add(
          new Certificate.Shown("Outcome of the bench number " + i, Optional.of("On my own")));
    certificate =
        new Certificate(
            Sheet.PLAIN,
            "en",
            "#0b6f6e",
            "Juno Abara",
            "Foundations certificate",
            "Services a bicycle from end to end.",
            new Certificate.Picture("image/png", picture, "A bicycle"),
            "Hollow Lane Workshop School",
            Optional.empty(),
            shown,
            "60 hours",
            List.of(new Certificate.Line("Number", "2026-00001")),
            Optional.of(
                new Certificate.Code("https://hollowlane.example/certificate/1", "Check it", "1")),
            List.of());
  }

  /** Data Integrity, eddsa-rdfc-2022. */
  @Benchmark
  public String proof() {
    return DataIntegrity.signed(
            badge().json(keys.didKey()), keys.edwards().getPrivate(), keys.method(), NOON)
        .toString();
  }

  /** The same of one among many of its kind. */
  @Benchmark
  public String proofAmongMany() {
    return proving.signed(badge(), keys, NOON).toString();
  }

  /** JWT, RS256. */
  @Benchmark
  public String token() {
    return Token.of(badge().json(keys.didKey()), keys);
  }

  /** What the check page asks for. */
  @Benchmark
  public Checked check() {
    return Checking.of(file, Around.NOTHING, NOON);
  }

  @Benchmark
  public byte[] paper() {
    return CertificatePdf.of("Certificate", List.of(certificate), letters, _ -> {});
  }
}
