package yendrik.server.design;

/**
 * A badge's picture as the client draws it: an outline, a sign in it, and a colour of the theme.
 */
public record BadgePicture(String shape, String sign, String colour) {
  public static final BadgePicture PLAIN = new BadgePicture("hexagon", "disc", "lagoon");
}
