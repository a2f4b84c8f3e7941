package yendrik.server.kinds.quiz.question.order;

import com.fasterxml.jackson.annotation.JsonTypeName;
import java.util.List;
import yendrik.server.kinds.quiz.question.ReviewedPart;

/**
 * In what order things were put.
 *
 * @param put nothing when they were not
 * @param right nothing while it may not be known
 */
@JsonTypeName("ordering")
public record OrderReviewed(List<String> put, List<String> right) implements ReviewedPart {}
