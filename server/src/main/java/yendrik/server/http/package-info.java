@NullMarked
package yendrik.server.http;

import org.jspecify.annotations.NullMarked;
