@NullMarked
package yendrik.server.kinds.link;

import org.jspecify.annotations.NullMarked;
