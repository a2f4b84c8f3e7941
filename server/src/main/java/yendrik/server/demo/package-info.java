@NullMarked
package yendrik.server.demo;

import org.jspecify.annotations.NullMarked;
