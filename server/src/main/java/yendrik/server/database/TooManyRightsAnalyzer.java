package yendrik.server.database;

import org.springframework.boot.diagnostics.AbstractFailureAnalyzer;
import org.springframework.boot.diagnostics.FailureAnalysis;

/** Says in words why a start was refused and what to do. */
final class TooManyRightsAnalyzer extends AbstractFailureAnalyzer<TooManyRights> {
  @Override
  protected FailureAnalysis analyze(Throwable root, TooManyRights cause) {
    return new FailureAnalysis(
        "The database role '%s' that is to run the application %s."
            .formatted(cause.role(), String.join(", ", cause.rights())),
        "Run it as a role that may only read and write rows (YENDRIK_DB_USER, YENDRIK_DB_PASSWORD),"
            + " and let another one own the database and migrate it (YENDRIK_DB_OWNER,"
            + " YENDRIK_DB_OWNER_PASSWORD).",
        cause);
  }
}
