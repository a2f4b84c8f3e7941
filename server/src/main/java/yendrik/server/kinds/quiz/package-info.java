@NullMarked
package yendrik.server.kinds.quiz;

import org.jspecify.annotations.NullMarked;
