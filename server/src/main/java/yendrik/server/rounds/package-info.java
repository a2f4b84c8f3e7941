@NullMarked
package yendrik.server.rounds;

import org.jspecify.annotations.NullMarked;
