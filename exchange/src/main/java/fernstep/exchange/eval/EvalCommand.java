package fernstep.exchange.eval;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;

/** {@code fern eval FILE.json} (or {@code -} for standard input): prints the answer; exit 0, or 2 for a bad request. */
public final class EvalCommand {
    private static final int UNUSABLE = 2;

    private EvalCommand() {}

    public static void main(String[] args) {
        PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
        if (args.length != 1) {
            out.println("{\"error\":{\"message\":\"usage: fern eval FILE.json, or - for standard input\","
                    + "\"path\":\"\",\"allowed\":\"one file\"}}");
            System.exit(UNUSABLE);
        }
        String request;
        try {
            request = args[0].equals("-")
                    ? new String(System.in.readAllBytes(), StandardCharsets.UTF_8)
                    : Files.readString(Path.of(args[0]));
        } catch (IOException | java.nio.file.InvalidPathException e) {
            out.println("{\"error\":{\"message\":\"the file cannot be read\",\"path\":\"\","
                    + "\"allowed\":\"a readable file in UTF-8\"}}");
            System.exit(UNUSABLE);
            return;
        }
        Eval.Answer answer = new Eval().answer(request);
        out.println(answer.json());
        System.exit(answer.usable() ? 0 : UNUSABLE);
    }
}
