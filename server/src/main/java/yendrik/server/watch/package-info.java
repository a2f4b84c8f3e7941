@NullMarked
package yendrik.server.watch;

import org.jspecify.annotations.NullMarked;
