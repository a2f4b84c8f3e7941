package yendrik.server.design;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;

/**
 * How a badge is earned, in words of the designer's.
 *
 * @param of what the rule said when they were written, so that a change of the rule is noticed
 */
public record BadgeCriteria(
    @NotBlank @Size(max = 2000) String text, @NotNull @Size(max = 4000) String of) {}
