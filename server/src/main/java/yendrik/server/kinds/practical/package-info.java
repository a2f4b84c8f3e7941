@NullMarked
package yendrik.server.kinds.practical;

import org.jspecify.annotations.NullMarked;
