package yendrik.server.people;

import java.io.Serializable;
import org.springframework.security.core.AuthenticatedPrincipal;

/** The person behind a request. */
public record SignedIn(long id, String name, String email, boolean administrator)
    implements AuthenticatedPrincipal, Serializable {
  @Override
  public String getName() {
    return email;
  }
}
