@NullMarked
package yendrik.server.kinds.discussion;

import org.jspecify.annotations.NullMarked;
