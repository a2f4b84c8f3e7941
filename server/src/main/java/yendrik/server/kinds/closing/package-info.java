@NullMarked
package yendrik.server.kinds.closing;

import org.jspecify.annotations.NullMarked;
