package fernstep.app;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LambdaExpressionTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreeScanner;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;

/** What makes code of every module, and templates, easy to read aloud. */
class CodeReadsTest {
    /** What formulas and drawings call by one letter. */
    private static final Set<String> OF_FORMULAS = Set.of("x", "y", "z", "t");

    private static List<Path> files(String folder, String kind) throws IOException {
        List<Path> all = new ArrayList<>();
        try (Stream<Path> modules = Files.list(Path.of(".."))) {
            for (Path module : modules.filter(path -> Files.isDirectory(path.resolve(folder)))
                    .toList()) {
                try (Stream<Path> found = Files.walk(module.resolve(folder))) {
                    found.filter(path -> path.toString().endsWith(kind)).forEach(all::add);
                }
            }
        }
        return all;
    }

    /** Walks the sources of all modules, those that run. */
    private static void walk(TreeScanner<Void, String> reader) throws IOException {
        List<Path> sources = files("src/main/java", ".java");
        assertThat(sources).hasSizeGreaterThan(700);
        var compiler = ToolProvider.getSystemJavaCompiler();
        try (var manager = compiler.getStandardFileManager(null, null, null)) {
            var task = (JavacTask) compiler.getTask(
                    null, manager, null, List.of("-proc:none"), null, manager.getJavaFileObjectsFromPaths(sources));
            for (var unit : task.parse()) {
                reader.scan(
                        unit,
                        Path.of(unit.getSourceFile().getName()).getFileName().toString());
            }
        }
    }

    @Test
    void lambdas_name_what_they_stand_for() throws IOException {
        List<String> found = new ArrayList<>();
        walk(new TreeScanner<>() {
            @Override
            public Void visitLambdaExpression(LambdaExpressionTree lambda, String file) {
                lambda.getParameters().stream()
                        .map(parameter -> parameter.getName().toString())
                        .filter(name -> name.length() == 1 && !OF_FORMULAS.contains(name))
                        .forEach(name -> found.add(file + ": " + name));
                return super.visitLambdaExpression(lambda, file);
            }
        });
        assertThat(found).isEmpty();
    }

    @Test
    void no_choice_stands_within_a_choice() throws IOException {
        List<String> found = new ArrayList<>();
        walk(new TreeScanner<>() {
            @Override
            public Void visitConditionalExpression(ConditionalExpressionTree choice, String file) {
                Stream.of(choice.getCondition(), choice.getTrueExpression(), choice.getFalseExpression())
                        .map(CodeReadsTest::bare)
                        .filter(ConditionalExpressionTree.class::isInstance)
                        .forEach(inner -> found.add(file + ": " + inner));
                return super.visitConditionalExpression(choice, file);
            }
        });
        assertThat(found).isEmpty();
    }

    private static ExpressionTree bare(ExpressionTree expression) {
        return expression instanceof ParenthesizedTree inner ? bare(inner.getExpression()) : expression;
    }

    /** A page model has decided already; a template that asks for the name of a code decides once more. */
    @Test
    void templates_place_and_do_not_ask_for_names_of_codes() throws IOException {
        List<Path> templates = files("src/main/resources/templates", ".html");
        assertThat(templates).hasSizeGreaterThan(50);
        List<String> found = new ArrayList<>();
        for (Path template : templates) {
            Files.readAllLines(template).stream()
                    .filter(line -> line.matches(".*name\\(\\) *[!=]=.*"))
                    .forEach(line -> found.add(template.getFileName() + ": " + line.strip()));
        }
        assertThat(found).isEmpty();
    }
}
