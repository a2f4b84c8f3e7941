@NullMarked
package yendrik.server.kinds.journal;

import org.jspecify.annotations.NullMarked;
