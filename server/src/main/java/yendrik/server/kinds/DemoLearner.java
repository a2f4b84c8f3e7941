package yendrik.server.kinds;

/** A learner of the demo, by what can be done at steps. Steps go by their keys in the script. */
public interface DemoLearner {
  /** Opens it and stays for about as long as it says. */
  void read(String step);

  /** Plays its film to the end. */
  void watch(String step);

  /** Takes its questions until they are passed. */
  void passAttempts(String step, double ability);

  /** Hands work in, which then passes. */
  void passWork(String step, double ability);

  /** Writes something for others to read. */
  void write(String step, double ability);

  /** Is signed off. */
  void passInFrontOfStaff(String step, double ability);
}
