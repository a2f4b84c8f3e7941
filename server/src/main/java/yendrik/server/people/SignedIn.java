package yendrik.server.people;

import java.io.Serializable;
import org.springframework.security.core.AuthenticatedPrincipal;
import yendrik.core.id.PersonId;
import yendrik.server.http.Injected;

/** The person behind a request. */
public record SignedIn(PersonId id, String name, String email, boolean administrator)
    implements AuthenticatedPrincipal, Injected, Serializable {
  @Override
  public String getName() {
    return email;
  }
}
