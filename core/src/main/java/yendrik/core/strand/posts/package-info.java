@NullMarked
package yendrik.core.strand.posts;

import org.jspecify.annotations.NullMarked;
