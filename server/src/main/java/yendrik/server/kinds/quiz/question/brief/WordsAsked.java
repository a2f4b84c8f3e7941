package yendrik.server.kinds.quiz.question.brief;

import com.fasterxml.jackson.annotation.JsonTypeName;
import yendrik.server.kinds.quiz.question.AskedPart;

/** Room for a few words. */
@JsonTypeName("short")
public record WordsAsked() implements AskedPart {}
