@NullMarked
package yendrik.server.kinds;

import org.jspecify.annotations.NullMarked;
