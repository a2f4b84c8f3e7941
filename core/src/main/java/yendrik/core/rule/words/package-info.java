@NullMarked
package yendrik.core.rule.words;

import org.jspecify.annotations.NullMarked;
