@NullMarked
package yendrik.core.rubric;

import org.jspecify.annotations.NullMarked;
