@NullMarked
package yendrik.server.live;

import org.jspecify.annotations.NullMarked;
