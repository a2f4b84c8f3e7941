package yendrik.server.demo;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import yendrik.core.people.StaffKind;
import yendrik.core.rule.Leaf;
import yendrik.core.strand.marks.MarkLeaf;
import yendrik.core.strand.signoff.SignOffLeaf;
import yendrik.formats.badge.Art;
import yendrik.formats.badge.Art.Colour;
import yendrik.formats.badge.Art.Edge;
import yendrik.formats.badge.Art.Pattern;
import yendrik.formats.badge.Art.Shape;
import yendrik.formats.badge.Art.SignStyle;
import yendrik.formats.badge.Art.WordsAt;
import yendrik.formats.certificate.Sheet;
import yendrik.server.design.BadgeFace;
import yendrik.server.design.BadgePicture;

/** The badges of the main course. */
final class DemoBadges {
  /** For so long the certificate is valid. */
  private static final int YEARS = 3;

  private DemoBadges() {}

  static void add(Author a) {
    a.badge(
        "Steady Bench",
        "Sets up a workshop bench and a repair stand so that work is safe for everybody around, seen by a facilitator.",
        OptionalInt.of(0),
        face(
            a,
            art(Shape.SHIELD, Edge.LINE, "own-bench", Colour.LAGOON, Colour.STRAW),
            "A shield with a bench",
            "SAFE"),
        Optional.of(a.ask(new Leaf.ModuleDone(a.modules.get(0)))));
    a.badge(
        "Brake Hand",
        "Sets up rim and disc brakes of a bicycle alone and documents the work on a job card.",
        OptionalInt.of(2),
        face(
            a,
            art(Shape.COG, Edge.DOTS, "own-disc", Colour.INDIGO, Colour.PAPER),
            "A brake disc in a cog",
            "BRAKE"),
        Optional.of(
            a.all(
                a.ask(new SignOffLeaf.SignedOff(a.id("brake-practical"))),
                a.ask(new MarkLeaf.Passed(a.id("job-card"))))));
    a.badge(
        "Clean Shift",
        "Indexes a nine-speed bicycle drivetrain from slack cable to nine clean shifts.",
        OptionalInt.of(3),
        face(
            a,
            worded(
                art(Shape.OCTAGON, Edge.DASHES, "gear-fine", Colour.OCHRE, Colour.INK),
                "Nine clean shifts",
                WordsAt.RIM,
                Colour.INK),
            "A sprocket, and around it the words Nine clean shifts",
            "GEAR"),
        Optional.of(
            a.all(
                a.score("gear-quiz", 0.8),
                a.ask(new SignOffLeaf.SignedOff(a.id("index-practical"))))));
    a.badge(
        "True Wheel",
        "Trues a spoked bicycle wheel to within half a millimetre, sideways and up and down, and says how it was measured.",
        OptionalInt.of(4),
        face(
            a,
            worded(
                art(Shape.HEXAGON, Edge.DASHES, "own-wheel", Colour.INDIGO, Colour.OCHRE),
                "Half a millimetre",
                WordsAt.RIBBON,
                Colour.INK),
            "A wheel, and on a ribbon the words Half a millimetre",
            "WHEEL"),
        Optional.of(a.ask(new SignOffLeaf.SignedOff(a.id("true-practical")))));
    a.badge(
        "Clear Speaker",
        "Explains work on a bicycle and its cost so that a rider understands it, shown three times.",
        OptionalInt.empty(),
        face(
            a,
            art(Shape.PEBBLE, Edge.DOUBLE, "chat-teardrop-text", Colour.LAGOON, Colour.MINT),
            "A speech bubble",
            "RIDER"),
        Optional.of(a.ask(new Leaf.EvidenceCount(a.outcomeId("RIDER"), 3, 2))));
    a.badge(
        "Perfect Torque",
        "Knows torque values, brakes, drivetrains and fault finding on bicycles: full marks in every written test of the foundations.",
        OptionalInt.empty(),
        face(
            a,
            patterned(
                art(Shape.SCALLOP, Edge.LINE, "wrench", Colour.MADDER, Colour.STRAW), Pattern.RAYS),
            "A wrench in front of rays",
            "TORQ"),
        Optional.of(
            a.all(
                a.score("tools-quiz", 1),
                a.score("fault-quiz", 1),
                a.score("pads-quiz", 1),
                a.score("gear-quiz", 1))));
    a.badge(
        "Never Missed a Saturday",
        "Was at the workshop bench every Saturday of a ten-week course.",
        OptionalInt.empty(),
        face(
            a,
            art(Shape.BANNER, Edge.STITCH, "calendar-check", Colour.RUST, Colour.STRAW),
            "A calendar page with a tick"),
        Optional.of(
            a.all(a.ask(new Leaf.AttendanceRate(1)), a.ask(new Leaf.SessionsAttended(10)))));
    a.badge(
        "Foundations certificate",
        "Services a bicycle from end to end, alone and by the book, and explains the work and its cost to a rider.",
        OptionalInt.empty(),
        onPaper(
            face(
                a,
                patterned(
                    art(Shape.BARREL, Edge.DOUBLE, "bicycle", Colour.LAGOON, Colour.STRAW),
                    Pattern.RINGS),
                "A bicycle in a hexagon",
                "SAFE",
                "DIAG",
                "BRAKE",
                "GEAR",
                "WHEEL",
                "BEAR",
                "TORQ",
                "RIDER")),
        Optional.of(
            a.all(
                a.mastery("SAFE"),
                a.mastery("BRAKE"),
                a.mastery("GEAR"),
                a.mastery("WHEEL"),
                a.mastery("RIDER"),
                a.ask(new Leaf.Approved(StaffKind.FACILITATOR)))),
        Optional.of(YEARS * 12),
        a.id("brake-practical"),
        a.id("true-practical"));
  }

  private static BadgeFace onPaper(BadgeFace face) {
    var sheet =
        new Sheet(
            Sheet.Template.THREAD,
            Sheet.Paper.A4,
            /* upright= */ false,
            Optional.of(Colour.LAGOON),
            "Certificate",
            "This is to say that",
            "has learned and shown all that belongs to the foundations of a cycle mechanic",
            Optional.of(60),
            EnumSet.allOf(Sheet.Field.class),
            List.of(
                new Sheet.Signature("Tomas Weir", "Facilitator at the bench", Optional.empty()),
                new Sheet.Signature("Odalys Brandt", "Course designer", Optional.empty())));
    return new BadgeFace(
        face.picture(), face.outcomes(), face.tags(), face.criteria(), Optional.of(sheet));
  }

  private static BadgeFace face(Author a, Art art, String alt, String... outcomes) {
    return new BadgeFace(
        new BadgePicture(art, Optional.empty(), alt),
        List.of(outcomes).stream().map(a::outcomeId).toList(),
        List.of("bicycle", "repair"),
        Optional.empty(),
        Optional.empty());
  }

  private static Art art(Shape shape, Edge edge, String sign, Colour ground, Colour trim) {
    return new Art(
        shape,
        edge,
        Pattern.NONE,
        sign,
        SignStyle.FILL,
        ground,
        Colour.PAPER,
        trim,
        Colour.PAPER,
        "",
        WordsAt.NOWHERE);
  }

  private static Art worded(Art a, String words, WordsAt at, Colour colour) {
    Colour sign = at == WordsAt.RIM ? colour : a.signColour();
    return new Art(
        a.shape(),
        a.edge(),
        a.pattern(),
        a.sign(),
        a.signStyle(),
        a.colour(),
        sign,
        a.trimColour(),
        colour,
        words,
        at);
  }

  private static Art patterned(Art a, Pattern pattern) {
    return new Art(
        a.shape(),
        a.edge(),
        pattern,
        a.sign(),
        a.signStyle(),
        a.colour(),
        a.signColour(),
        a.trimColour(),
        a.wordsColour(),
        a.words(),
        a.wordsAt());
  }
}
