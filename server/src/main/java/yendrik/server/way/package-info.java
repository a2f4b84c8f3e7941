@NullMarked
package yendrik.server.way;

import org.jspecify.annotations.NullMarked;
