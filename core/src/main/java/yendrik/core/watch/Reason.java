package yendrik.core.watch;

import java.util.Optional;

/**
 * Why a flag is up.
 *
 * @param says a whole sentence
 * @param remedy what would help, where it is something at a step
 */
public record Reason(String says, Optional<Remedy> remedy) {}
