package fernstep.core.catalogue;

/** A catalogue text that cannot be used: stops the start, says where and why. */
public final class CatalogueProblem extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;
    private final String file;
    private final int line;

    public CatalogueProblem(String file, int line, String reason) {
        super(file + ", line " + line + ": " + reason);
        this.file = file;
        this.line = line;
    }

    public String file() {
        return file;
    }

    /** Counted from 1. */
    public int line() {
        return line;
    }

    @Override
    public String getMessage() {
        return String.valueOf(super.getMessage());
    }
}
