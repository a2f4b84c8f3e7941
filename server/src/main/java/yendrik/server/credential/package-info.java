/** Awards as credentials that go outside: signing, showing, taking along, checking. */
@NullMarked
package yendrik.server.credential;

import org.jspecify.annotations.NullMarked;
