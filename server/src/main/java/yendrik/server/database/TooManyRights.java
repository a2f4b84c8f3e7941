package yendrik.server.database;

import java.util.List;

/** The application would run with more rights in its database than it needs. */
final class TooManyRights extends RuntimeException {
  private static final long serialVersionUID = 1;
  private final String role;
  private final List<String> rights;

  TooManyRights(String role, List<String> rights) {
    super(role + ": " + rights);
    this.role = role;
    this.rights = List.copyOf(rights);
  }

  String role() {
    return role;
  }

  List<String> rights() {
    return rights;
  }
}
