package fernstep.exchange.eval;

import fernstep.core.catalogue.Catalogue;
import fernstep.exchange.casefile.CaseObject;
import fernstep.exchange.casefile.CaseProblem;
import fernstep.exchange.casefile.CataloguePackage;
import fernstep.exchange.wording.Wording;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** One JSON request in, one JSON answer out; the same rules as the pages, without them. */
public final class Eval {
    private final JsonMapper json = JsonMapper.builder()
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .enable(DeserializationFeature.FAIL_ON_TRAILING_TOKENS)
            .build();
    private final Map<String, Operation> operations = new TreeMap<>();

    /** With the shipped catalogue, read when it is first needed, and traces from files, as the command line has them. */
    public Eval() {
        this(new Lazily(), name -> Files.readAllBytes(Path.of(name)));
    }

    /** Reads no file, whoever asks. */
    public Eval(Supplier<Catalogue> catalogue) {
        this(catalogue, name -> {
            throw new IOException("no files here");
        });
    }

    private Eval(Supplier<Catalogue> catalogue, TraceOp.Files files) {
        Wording wording = Wording.english();
        operations.put("screen", new ScreenOp(wording));
        operations.put("separation", new SeparationOp(wording));
        operations.put("decide", new DecideOp(wording, catalogue));
        operations.put("load", new LoadOp(catalogue));
        operations.put("range", new RangeOp(catalogue));
        operations.put("plan", new PlanOp(wording, catalogue));
        operations.put("forecast", new ForecastOp(catalogue));
        operations.put("trace", new TraceOp(wording, files));
        operations.put("progress", new ProgressOp(wording, catalogue));
    }

    private static final class Lazily implements Supplier<Catalogue> {
        private @Nullable Catalogue read;

        @Override
        public Catalogue get() {
            if (read == null) {
                read = CataloguePackage.shipped();
            }
            return read;
        }
    }

    /** The answer as JSON text, and whether the request as a whole could be used. */
    public record Answer(String json, boolean usable) {}

    public Answer answer(String request) {
        try {
            JsonNode node = json.readTree(request);
            if (node.isObject() && node.has("requests")) {
                CaseObject root = CaseObject.root(node);
                List<Object> answers = root.items("requests", this::oneOfMany);
                root.nothingElse();
                return new Answer(write(Map.of("answers", answers)), true);
            }
            return new Answer(write(one(node, "")), true);
        } catch (JacksonException e) {
            var at = e.getLocation();
            String where = at == null ? "" : " at line " + at.getLineNr() + ", column " + at.getColumnNr();
            return new Answer(
                    write(error(new CaseProblem("", "not readable as JSON" + where, "one JSON object"))), false);
        } catch (CaseProblem e) {
            return new Answer(write(error(e)), false);
        }
    }

    private Object oneOfMany(JsonNode request, String path) {
        try {
            return one(request, path);
        } catch (CaseProblem e) {
            return error(e);
        }
    }

    private Map<String, Object> one(JsonNode node, String path) {
        CaseObject request = CaseObject.at(node, path);
        String op = request.text("op");
        Operation operation = operations.get(op);
        if (operation == null) {
            throw request.problem("op", "unknown op " + op, String.join(", ", operations.keySet()));
        }
        return operation.answer(request);
    }

    private static Map<String, Object> error(CaseProblem problem) {
        return Json.object(
                "error",
                Json.object("message", problem.getMessage(), "path", problem.path(), "allowed", problem.allowed()));
    }

    private String write(Object answer) {
        return json.writeValueAsString(new java.util.LinkedHashMap<>(asMap(answer)));
    }

    @SuppressWarnings("unchecked")
    private static Map<String, Object> asMap(Object answer) {
        return (Map<String, Object>) answer;
    }

    List<String> operationNames() {
        return new ArrayList<>(operations.keySet());
    }
}
