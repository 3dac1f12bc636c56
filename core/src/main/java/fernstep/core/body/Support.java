package fernstep.core.body;

/**
 * What one group of contacts pushes back with.
 *
 * @param at where, m
 * @param upN against gravity
 * @param sideN along x: a wall pushes, and friction at the feet answers
 * @param ofUpperBody on the head's side of the lumbar section
 */
public record Support(Group group, Point3 at, double upN, double sideN, boolean ofUpperBody) {

    /** Contacts that act as one. */
    public enum Group {
        TRUNK,
        ARMS,
        LEGS,
        WALL
    }
}
