package fernstep.exchange.wording;

import com.ibm.icu.text.MessageFormat;
import com.ibm.icu.text.SimpleFormatter;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A sentence with places for facts, made ready once: {@code {0}}, {@code {0, plural, …}}, {@code {0, select, …}}. */
interface Sentence {
    /**
     * The sentence with its facts.
     *
     * @param readable a fact in words; what is counted or chosen by is taken as it is
     */
    String with(Object[] facts, Function<Object, String> readable);

    static Sentence of(String pattern, Locale locale) {
        return Counting.CHOICE.matcher(pattern).find() ? new Counting(pattern, locale) : new Plain(pattern);
    }

    /** Nothing to count. */
    final class Plain implements Sentence {
        private final SimpleFormatter ready;

        Plain(String pattern) {
            this.ready = SimpleFormatter.compile(pattern);
        }

        @Override
        public String with(Object[] facts, Function<Object, String> readable) {
            String[] all = new String[Math.max(facts.length, ready.getArgumentLimit())];
            for (int i = 0; i < all.length; i++) {
                // a sentence that is filled in later keeps its place
                all[i] = i < facts.length ? readable.apply(facts[i]) : "{" + i + "}";
            }
            return ready.format(all);
        }
    }

    /** One, several; left, right: as the language has it. */
    final class Counting implements Sentence {
        private static final Pattern CHOICE = Pattern.compile("\\{(\\d+), *(?:plural|select|selectordinal),");

        private final String pattern;
        private final Locale locale;
        private final Set<Integer> asTheyAre = new HashSet<>();

        Counting(String pattern, Locale locale) {
            this.pattern = pattern;
            this.locale = locale;
            Matcher places = CHOICE.matcher(pattern);
            while (places.find()) {
                asTheyAre.add(Integer.valueOf(places.group(1)));
            }
        }

        @Override
        public String with(Object[] facts, Function<Object, String> readable) {
            Object[] all = new Object[facts.length];
            for (int i = 0; i < all.length; i++) {
                all[i] = asTheyAre.contains(i) ? asItIs(facts[i]) : readable.apply(facts[i]);
            }
            // its own each time: one format may not be used from two threads
            return new MessageFormat(pattern, locale).format(all);
        }

        private static Object asItIs(Object fact) {
            return fact instanceof Enum<?> code ? code.name() : fact;
        }
    }
}
