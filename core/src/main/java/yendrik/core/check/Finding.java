package yendrik.core.check;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import yendrik.core.id.GroupId;
import yendrik.core.rule.Condition;
import yendrik.core.rule.NodeId;
import yendrik.core.rule.RuleAt;
import yendrik.core.rule.check.Fault;

/**
 * Something in a design that would trouble those who learn by it, as data; the words for it are
 * made elsewhere.
 *
 * @param place the rule at which it is mended, or that of the thing meant
 * @param node the part of that rule, empty when the whole is meant
 * @param arguments what the words need, by name, as {@code Phrase} takes them
 * @param chain why, one thing after the other
 * @param holdsUp what nobody can reach because of it, besides the place itself, in course order
 * @param groups whom it concerns; empty for everybody
 * @param mends each removes it and brings up nothing new
 */
public record Finding(
    Code code,
    Weight weight,
    RuleAt place,
    Optional<NodeId> node,
    Map<String, Object> arguments,
    List<Link> chain,
    List<RuleAt> holdsUp,
    List<GroupId> groups,
    List<Mend> mends) {

  public Finding {
    arguments = Map.copyOf(arguments);
    chain = List.copyOf(chain);
    holdsUp = List.copyOf(holdsUp);
    groups = List.copyOf(groups);
    mends = List.copyOf(mends);
  }

  /** How much it matters, the worst first. */
  public enum Weight {
    /** The design cannot be put before learners. */
    FAULT,
    /** Something cannot be reached by anybody. */
    NOBODY,
    /** Some cannot go on. */
    SOME,
    /** It is odd, and nobody is held up. */
    ODD
  }

  /** Every kind of finding. */
  public enum Code {
    /** A fault, see {@link Fault}; it is the argument {@code fault}. */
    FAULT,
    /** Things wait for each other; the chain comes back to where it began. */
    CIRCLE,
    /** They do once a date has passed; argument {@code date}. */
    CIRCLE_LATER,
    /** The rule asks for what cannot be so at the same time. */
    NEVER_TOGETHER,
    /** The step is over before anybody can be there; argument {@code date}. */
    OVER_BEFORE_OPEN,
    /** The condition asks about a step or module that is not published. */
    UNPUBLISHED,
    /** No fact of this sort ever comes from a step of its kind. */
    NOT_OF_ITS_KIND,
    /** The step has no points, so it is never scored. */
    NO_POINTS,
    /** More attempts than there are; arguments {@code n}, {@code allowed}. */
    TOO_MANY_ATTEMPTS,
    /** More steps than the module has that count; arguments {@code n}, {@code steps}. */
    TOO_MANY_STEPS,
    /** Nothing in the course gives evidence of the outcome. */
    NOBODY_ASSESSES,
    /** No step of the course is scored. */
    NOTHING_SCORED,
    /** The date is over when the course begins. */
    BEFORE_START,
    /** The date, or the day after enrolment, comes after the end of the course. */
    AFTER_END,
    /** Nobody is in the group. */
    EMPTY_GROUP,
    /** The rule holds for everybody from the first moment. */
    ALWAYS_MET,
    /** Learners of a group cannot complete the course. */
    GROUP_CANNOT_COMPLETE,
    /** Who has used up the attempts cannot complete the course; argument {@code attempts}. */
    DEAD_END,
    /** Due before anybody can be there; argument {@code date}, the first moment for that. */
    DUE_TOO_EARLY,
    /** No published step gives evidence of the outcome. */
    WITHOUT_EVIDENCE,
    /** Fewer steps give evidence than mastery needs; arguments {@code steps}, {@code needed}. */
    TOO_FEW_CHANCES
  }

  /**
   * One part of an explanation: something waits for a condition that cannot come true.
   *
   * @param at what waits
   * @param by how
   * @param condition what it waits for; empty where no rule says so
   */
  public record Link(RuleAt at, By by, Optional<Condition> condition) {}

  /** How something is held up. */
  public enum By {
    /** By a condition of its rule. */
    RULE,
    /** By its module, which is not open. */
    MODULE,
    /** By the steps before it in a strict order. */
    ORDER,
    /** It is not open. */
    OPENING,
    /** Its own dates. */
    DATES
  }

  /**
   * Names it for as long as it stands: what it is, where, and, of what goes in a circle, by which
   * way; what is said of it is not said of another one.
   */
  public String key() {
    StringBuilder key = new StringBuilder(code + " " + name(place));
    node.ifPresent(n -> key.append(' ').append(n.value()));
    String more =
        switch (code) {
          case CIRCLE, CIRCLE_LATER, GROUP_CANNOT_COMPLETE ->
              groups + chain.stream().map(l -> name(l.at())).collect(Collectors.joining(" "));
          case FAULT ->
              arguments.get("fault") instanceof Fault fault
                  ? fault.code() + " " + new TreeMap<>(fault.arguments())
                  : "";
          default -> "";
        };
    // A key stands in addresses and is kept, so it must not grow with the circle.
    return more.isEmpty() ? key.toString() : key + " " + Integer.toHexString(more.hashCode());
  }

  private static String name(RuleAt at) {
    return switch (at) {
      case RuleAt.StepOpens r -> "step-opens " + r.step();
      case RuleAt.StepDone r -> "step-done " + r.step();
      case RuleAt.ModuleOpens r -> "module-opens " + r.module();
      case RuleAt.ModuleDone r -> "module-done " + r.module();
      case RuleAt.BadgeEarned r -> "badge-earned " + r.badge();
      case RuleAt.BadgeRenewed r -> "badge-renewed " + r.badge();
      case RuleAt.CourseComplete _ -> "course-complete";
      case RuleAt.OutcomeMade r -> "outcome-made " + r.outcome();
      case RuleAt.FlagRaised r -> "flag-raised " + r.flag();
    };
  }

  Finding with(List<Mend> some) {
    return new Finding(code, weight, place, node, arguments, chain, holdsUp, groups, some);
  }
}
