@NullMarked
package yendrik.core.course;

import org.jspecify.annotations.NullMarked;
