@NullMarked
package yendrik.server.people;

import org.jspecify.annotations.NullMarked;
