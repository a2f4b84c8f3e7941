@NullMarked
package yendrik.server.reach;

import org.jspecify.annotations.NullMarked;
