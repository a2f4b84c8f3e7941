package yendrik.formats.credential;

import java.security.PublicKey;
import java.util.Optional;

/** What is known where a credential is checked, and what is asked elsewhere. */
public interface Around {
  /** Somewhere of which nothing is known. */
  Around NOTHING =
      new Around() {
        @Override
        public Optional<String> issuer(String id) {
          return Optional.empty();
        }

        @Override
        public Optional<PublicKey> key(String method) {
          return Optional.empty();
        }

        @Override
        public Optional<Boolean> revoked(String list, long index) {
          return Optional.empty();
        }

        @Override
        public Place at(String address) {
          return new Place.NotAsked();
        }
      };

  /** Who an issuer is. */
  Optional<String> issuer(String id);

  /** A key that does not name itself. */
  Optional<PublicKey> key(String method);

  /** Whether a place of a list says revoked. */
  Optional<Boolean> revoked(String list, long index);

  /** What stands at an address, if it is one of those that are asked. */
  Place at(String address);
}
