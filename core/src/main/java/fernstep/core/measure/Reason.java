package fernstep.core.measure;

import java.util.List;

/**
 * Why a rule answered as it did: a stable key and its facts. The sentence for it lives in a message file, so that a
 * second language is a file.
 */
public record Reason(String key, List<Object> facts) {
    public Reason {
        facts = List.copyOf(facts);
    }

    public static Reason of(String key, Object... facts) {
        return new Reason(key, List.of(facts));
    }

    /** Several in one sentence: "a, b and c". */
    public static Reason list(List<Reason> reasons) {
        return new Reason(LIST, List.copyOf(reasons));
    }

    /** The key of a list. */
    public static final String LIST = "list";

    /** The key of a sentence from before reasons were kept by key; its only fact is the sentence. */
    public static final String VERBATIM = "verbatim";
}
