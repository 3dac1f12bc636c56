package fernstep.device;

import fernstep.core.catalogue.Rung;
import fernstep.core.catalogue.Tempo;
import fernstep.core.trace.Samples;
import fernstep.exchange.casefile.CataloguePackage;
import fernstep.exchange.edf.EdfFile;
import fernstep.exchange.edf.EdfWriter;
import fernstep.exchange.table.TraceCsv;
import java.io.IOException;
import java.io.PrintStream;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** {@code fern device CHARACTER …}: streams a scripted woman to the app, or writes her to a file, with her truth beside it. */
public final class DeviceCommand {
    private static final int UNUSABLE = 2;
    private static final int REFUSED = 1;
    private static final Set<String> OPTIONS =
            Set.of("rung", "rate", "drop", "noise", "reps", "seed", "file", "truth", "url", "code", "cut", "away");
    private static final Tempo USUAL = new Tempo(3, 3, 2);

    private DeviceCommand() {}

    /** A command that cannot be done, in a sentence. */
    private static final class Unusable extends Exception {
        private static final long serialVersionUID = 1L;

        Unusable(String why) {
            super(why);
        }
    }

    public static void main(String[] args) throws InterruptedException {
        PrintStream err = new PrintStream(System.err, true, StandardCharsets.UTF_8);
        try {
            run(args);
        } catch (Unusable e) {
            err.println("device: " + e.getMessage());
            err.println(
                    "usage: fern device CHARACTER [--rung F3] [--rate 50] [--drop 2] [--noise 3] [--reps 10] [--seed 1]");
            err.println(
                    "       --code 123456 [--url ws://127.0.0.1:8080/device] [--cut 20 [--away 5]] | --file out.edf or out.csv   [--truth truth.json]");
            err.println("characters: "
                    + Arrays.stream(Script.values()).map(DeviceCommand::name).collect(Collectors.joining(", ")));
            System.exit(UNUSABLE);
        } catch (Stream.Refused | IOException e) {
            err.println("device: " + e.getMessage());
            System.exit(REFUSED);
        }
    }

    private static String name(Script script) {
        return script.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private static void run(String[] args) throws Unusable, Stream.Refused, IOException, InterruptedException {
        if (args.length == 0) {
            throw new Unusable("whom shall it play?");
        }
        Script script = Arrays.stream(Script.values())
                .filter(each -> name(each).equals(args[0]))
                .findFirst()
                .orElseThrow(() -> new Unusable("no character " + args[0]));
        Map<String, String> options = options(args);
        long seed = (long) number(options, "seed", 1, 0, 1e15);
        double rateHz = number(options, "rate", 50, 10, 100);
        Performance she = new Performance(script, tempo(options), (int) number(options, "reps", 10, 1, 1000), seed);
        Sensor sensor = new Sensor(
                she, rateHz, number(options, "noise", 3, 0, 50) / 100, number(options, "drop", 0, 0, 90) / 100, seed);
        String file = options.get("file");
        String code = options.get("code");
        if ((file == null) == (code == null)) {
            throw new Unusable("either --file, or the --code that the session shows");
        }
        String truth =
                options.getOrDefault("truth", file == null ? "" : file.replaceFirst("\\.[a-z]+$", "") + ".truth.json");
        if (!truth.isEmpty()) {
            Files.writeString(Path.of(truth), truth(script, she, seed, rateHz));
        }
        if (file != null) {
            write(Path.of(file), sensor.whole(), she);
        } else if (code != null) {
            Double cut = options.containsKey("cut") ? number(options, "cut", 0, 0, 1e6) : null;
            Double away = options.containsKey("away") ? number(options, "away", 0, 0, 600) : null;
            Stream.play(
                    URI.create(options.getOrDefault("url", "ws://127.0.0.1:8080/device")),
                    code,
                    sensor,
                    rateHz,
                    cut,
                    away);
        }
    }

    private static Map<String, String> options(String[] args) throws Unusable {
        Map<String, String> options = new LinkedHashMap<>();
        for (int i = 1; i < args.length; i += 2) {
            String option = args[i].replaceFirst("^--", "");
            if (!args[i].startsWith("--") || !OPTIONS.contains(option)) {
                throw new Unusable("no option " + args[i]);
            }
            if (i + 1 == args.length) {
                throw new Unusable(args[i] + " needs a value");
            }
            options.put(option, args[i + 1]);
        }
        return options;
    }

    private static Tempo tempo(Map<String, String> options) throws Unusable {
        String rung = options.get("rung");
        if (rung == null) {
            return USUAL;
        }
        return CataloguePackage.shipped()
                .find(rung)
                .map(Rung::tempo)
                .orElseThrow(() -> new Unusable("no rung " + rung));
    }

    private static double number(Map<String, String> options, String option, double usual, double least, double most)
            throws Unusable {
        String text = options.get(option);
        if (text == null) {
            return usual;
        }
        try {
            double n = Double.parseDouble(text);
            if (n >= least && n <= most) {
                return n;
            }
        } catch (NumberFormatException e) {
            // said below
        }
        throw new Unusable(String.format(Locale.ROOT, "--%s is from %.0f to %.0f", option, least, most));
    }

    private static void write(Path file, Samples samples, Performance she) throws IOException, Unusable {
        String name = file.toString();
        if (name.endsWith(".csv")) {
            Files.writeString(file, TraceCsv.wide(samples));
        } else if (name.endsWith(".edf")) {
            List<EdfFile.Annotation> reps = she.marks().stream()
                    .map(mark -> new EdfFile.Annotation(
                            mark.startMs() / 1000,
                            (mark.endMs() - mark.startMs()) / 1000,
                            "Rep " + mark.rep() + " " + mark.side()))
                    .toList();
            Files.write(
                    file,
                    EdfWriter.write(
                            LocalDateTime.now(ZoneId.systemDefault()).truncatedTo(ChronoUnit.SECONDS), samples, reps));
        } else {
            throw new Unusable("a file ends in .edf or .csv");
        }
    }

    private static String truth(Script script, Performance she, long seed, double rateHz) {
        Map<String, Object> truth = new LinkedHashMap<>();
        truth.put("character", name(script));
        truth.put("seed", seed);
        truth.put("rateHz", rateHz);
        truth.put("breaths", she.breaths());
        truth.put("holds", she.holds());
        TreeMap<Integer, Object> reps = new TreeMap<>();
        she.marks().forEach(mark -> {
            Map<String, Object> rep = new LinkedHashMap<>();
            rep.put("rep", mark.rep());
            rep.put("side", mark.side());
            rep.put("startMs", mark.startMs());
            rep.put("endMs", mark.endMs());
            rep.put(
                    "signs",
                    she.signs().containsKey(mark.rep()) ? List.of(she.signs().get(mark.rep())) : List.of());
            reps.put(mark.rep(), rep);
        });
        truth.put("reps", reps.values());
        return JsonMapper.builder()
                .enable(SerializationFeature.INDENT_OUTPUT)
                .build()
                .writeValueAsString(truth);
    }
}
