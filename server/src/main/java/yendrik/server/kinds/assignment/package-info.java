@NullMarked
package yendrik.server.kinds.assignment;

import org.jspecify.annotations.NullMarked;
