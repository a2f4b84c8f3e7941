package yendrik.server.kinds.quiz.question;

/** A question as a learner is asked it. */
public record AskedQuestion(String id, String text, double points, AskedPart part) {}
