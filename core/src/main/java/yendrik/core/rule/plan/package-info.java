@NullMarked
package yendrik.core.rule.plan;

import org.jspecify.annotations.NullMarked;
