package fernstep.app.api;

/** What was wrong, as everywhere under /api. */
record ApiError(What error) {
    /** In a sentence. */
    record What(String message) {}

    static ApiError of(String message) {
        return new ApiError(new What(message));
    }
}
