package yendrik.core.strand;

/**
 * A question that makes sense about a step, to be proposed to a designer who types.
 *
 * @param words by which it is found, besides those of its sentence
 * @param weight how likely it is meant, 0 and more
 */
public record Offer(StepLeaf leaf, String words, int weight) {}
