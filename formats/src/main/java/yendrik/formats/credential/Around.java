package yendrik.formats.credential;

import java.security.PublicKey;
import java.util.Optional;

/** What is known where a credential is checked, and what is asked elsewhere: by itself nothing. */
public interface Around {
  /** Somewhere of which nothing is known. */
  Around NOTHING = new Around() {};

  /** Who an issuer is. */
  default Optional<String> issuer(String id) {
    return Optional.empty();
  }

  /** A key that does not name itself. */
  default Optional<PublicKey> key(String method) {
    return Optional.empty();
  }

  /**
   * Whether a place of a list says revoked.
   *
   * @param list its address; that of an assertion of version 2 where there is no place
   * @param index the place, from 0; less than 0 for an assertion of version 2
   */
  default Optional<Boolean> revoked(String list, long index) {
    return Optional.empty();
  }

  /** What stands at an address, if it is one of those that are asked. */
  default Place at(String address) {
    return new Place.NotAsked();
  }
}
