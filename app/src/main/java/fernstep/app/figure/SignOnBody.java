package fernstep.app.figure;

import fernstep.core.body.LegContact;
import fernstep.core.body.Position;
import fernstep.core.body.Skeleton;
import fernstep.core.body.TrunkContact;
import fernstep.core.catalogue.Prop;
import fernstep.core.catalogue.Rung;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Side;
import java.util.List;

/**
 * How a sign looks on a body: what stands out, what moves, and the place that is coloured so that one knows where to look.
 *
 * @param chains pieces that stand out of her front, each chain one ridge
 * @param place what is coloured besides them
 */
record SignOnBody(List<List<Bump>> chains, Shown.Moves moves, Place place) {
    private static final SignOnBody NOTHING = new SignOnBody(List.of(), Shown.Moves.NOT, Place.NONE);

    /**
     * A ball in her front.
     *
     * @param share from hips (0) to shoulders (1)
     * @param aside to her left, thousandths of her height
     * @param radius thousandths of her height
     * @param rises out of the skin when it shows in full, thousandths of her height
     */
    record Bump(double share, double aside, double radius, double rises) {}

    /** What is coloured. */
    interface Place {
        Place NONE = (her, skeleton) -> List.of();

        List<Hull> on(SignPlaces her, Skeleton f);
    }

    /** Exhaustive: a sign that nobody decided about does not compile. */
    static SignOnBody of(SignCode sign) {
        return switch (sign) {
            case DOME_SOFT ->
                bumps(chain(
                        new Bump(0.22, 0, 30, 14),
                        new Bump(0.34, 0, 34, 28),
                        new Bump(0.48, 0, 34, 28),
                        new Bump(0.62, 0, 26, 12)));
            case DOME_FIRM ->
                bumps(chain(
                        new Bump(0.22, 0, 11, 14),
                        new Bump(0.33, 0, 11, 46),
                        new Bump(0.50, 0, 11, 46),
                        new Bump(0.62, 0, 11, 14)));
            case WALL_BULGE ->
                onBothSides(chain(
                        new Bump(0.08, 26, 40, 16),
                        new Bump(0.19, 28, 48, 44),
                        new Bump(0.34, 24, 42, 30),
                        new Bump(0.48, 20, 36, 8)));
            case BELLY_DROPS ->
                new SignOnBody(
                        List.of(chain(
                                new Bump(0.18, 0, 46, 26),
                                new Bump(0.34, 0, 50, 56),
                                new Bump(0.48, 0, 50, 56),
                                new Bump(0.60, 0, 44, 22))),
                        Shown.Moves.spine(22, 16, 0),
                        Place.NONE);
            case RIBS_FLARE ->
                onBothSides(chain(new Bump(0.56, 46, 22, 10), new Bump(0.66, 52, 26, 34), new Bump(0.76, 50, 24, 18)));
            case BEARS_DOWN ->
                new SignOnBody(
                        List.of(chain(new Bump(0.06, 0, 40, 12), new Bump(0.16, 0, 44, 26), new Bump(0.28, 0, 40, 12))),
                        Shown.Moves.NOT,
                        (her, skeleton) -> her.below());
            case BREATH_HELD ->
                new SignOnBody(
                        List.of(),
                        Shown.Moves.NOT,
                        (her, skeleton) -> List.of(her.cheek(Side.LEFT, 1), her.cheek(Side.RIGHT, 1)));
            case BACK_ARCHES -> new SignOnBody(List.of(), Shown.Moves.spine(34, 14, 0), SignOnBody::archPlace);
            case BACK_PRESSED ->
                new SignOnBody(List.of(), Shown.Moves.spine(-26, -4, 0), (her, skeleton) -> her.alongBack());
            case PELVIS_ROCKS -> new SignOnBody(List.of(), Shown.Moves.hips(26), (her, skeleton) -> her.hipBones());
            case NECK_SHOULDERS -> new SignOnBody(List.of(), Shown.Moves.shrug(16, 22), (her, skeleton) -> her.neck());
            case HIP_GRIP -> new SignOnBody(List.of(), Shown.Moves.NOT, (her, skeleton) -> her.hipCreases());
            case SET_LOST ->
                new SignOnBody(
                        List.of(chain(new Bump(0.08, 0, 40, 6), new Bump(0.18, 0, 44, 20), new Bump(0.30, 0, 40, 8))),
                        Shown.Moves.NOT,
                        Place.NONE);
            case CONTACT_LOST ->
                new SignOnBody(List.of(), Shown.Moves.spine(26, 10, 0), (her, skeleton) -> her.alongBack());
            case NO_LET_GO -> new SignOnBody(List.of(), Shown.Moves.NOT, (her, skeleton) -> her.lowBelly());
            case TIRED, RUSHED, PAIN, HEAVY, LEAK -> NOTHING;
        };
    }

    /** Whether a picture of it on this rung says anything: what is only felt, or timed, is not drawn. */
    static boolean drawn(SignCode sign, Rung rung) {
        Position position = rung.position();
        return switch (sign) {
            case BELLY_DROPS -> position == Position.HANDS_KNEES;
            case BACK_PRESSED -> position == Position.SUPINE || position == Position.INCLINED;
            case CONTACT_LOST -> rung.props().contains(Prop.ROD);
            case HIP_GRIP -> position != Position.HANDS_KNEES;
            default -> !NOTHING.equals(of(sign));
        };
    }

    /** From where it is seen best. */
    static Camera camera(SignCode sign, Rung rung) {
        boolean onHerSide = rung.position() == Position.SIDE;
        return switch (sign) {
            case PELVIS_ROCKS -> onHerSide ? new Camera(30, 40) : new Camera(62, 26);
            case RIBS_FLARE -> onHerSide ? new Camera(10, 62) : new Camera(24, 24);
            case BREATH_HELD, NECK_SHOULDERS -> Cameras.of(rung);
            default -> onHerSide ? new Camera(10, 62) : new Camera(10, 8);
        };
    }

    /** Lying, the light under an arched back; else the back itself. */
    private static List<Hull> archPlace(SignPlaces her, Skeleton skeleton) {
        boolean lies = skeleton.pose().trunk().on() == TrunkContact.BACK
                && (skeleton.pose().position() == Position.SUPINE
                        || skeleton.pose().left().on() != LegContact.WALL);
        return lies ? her.lightUnderBack() : her.alongBack();
    }

    private static List<Bump> chain(Bump... bumps) {
        return List.of(bumps);
    }

    private static SignOnBody bumps(List<Bump> chain) {
        return new SignOnBody(List.of(chain), Shown.Moves.NOT, Place.NONE);
    }

    /** The same on both sides of the midline. */
    private static SignOnBody onBothSides(List<Bump> left) {
        List<Bump> right = left.stream()
                .map(bump -> new Bump(bump.share(), -bump.aside(), bump.radius(), bump.rises()))
                .toList();
        return new SignOnBody(List.of(left, right), Shown.Moves.NOT, Place.NONE);
    }
}
