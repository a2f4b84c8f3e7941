package yendrik.bench;

import java.net.URI;
import java.util.ArrayList;
import java.util.List;

/**
 * Two versions of the server beside each other, asked in turn, so that the machine's moods meet
 * both alike: how many acts a second thirty learners bring about as fast as they can. Run by hand
 * with both archives and the port of PostgreSQL.
 */
public final class VersusBench {
  private static final int LEARNERS = 30;
  private static final int WARM_SECONDS = 60;
  private static final int ROUNDS = 7;
  private static final int SECONDS = 10;

  private VersusBench() {}

  public static void main(String[] arguments) throws Exception {
    new DemoServer(arguments[0], arguments[2])
        .with(
            "yendrik_versus_one",
            LEARNERS,
            one ->
                new DemoServer(arguments[1], arguments[2])
                    .with("yendrik_versus_other", LEARNERS, other -> compare(one, other)));
  }

  private record Side(List<Visitor> learners, String visit, List<Double> acts) {
    static Side of(URI server) throws Exception {
      List<Visitor> learners = ActBench.learners(server, LEARNERS);
      long course =
          new Visitor(server, "odalys@hollowlane.example").course("Cycle Mechanic Foundations");
      var side = new Side(learners, ActBench.visit(learners.getFirst(), course), new ArrayList<>());
      ActBench.flatOut(learners, side.visit, WARM_SECONDS);
      return side;
    }

    void round() throws Exception {
      acts.add(ActBench.flatOut(learners, visit, SECONDS).size() / (double) SECONDS);
    }

    double median() {
      return acts.stream().sorted().toList().get(acts.size() / 2);
    }
  }

  private static void compare(URI one, URI other) throws Exception {
    var sides = List.of(Side.of(one), Side.of(other));
    for (int round = 0; round < ROUNDS; round++) for (Side side : sides) side.round();
    for (Side side : sides) System.out.println("Acts a second, round by round: " + side.acts);
    System.out.printf(
        "Medians %.0f and %.0f acts a second: %.2f times%n",
        sides.get(0).median(),
        sides.get(1).median(),
        sides.get(1).median() / sides.get(0).median());
  }
}
