package yendrik.core.quiz.taking;

import java.time.Instant;

/**
 * When the time of an attempt is up.
 *
 * @param questions from when on no other question may be answered
 * @param end from when on nothing may be changed; the same or later
 */
public record Span(Instant questions, Instant end) {}
