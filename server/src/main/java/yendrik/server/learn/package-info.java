@NullMarked
package yendrik.server.learn;

import org.jspecify.annotations.NullMarked;
