package fernstep.core;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.source.doctree.DocCommentTree;
import com.sun.source.doctree.ParamTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import com.sun.source.util.DocTrees;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreePathScanner;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import javax.lang.model.element.Modifier;
import javax.tools.JavaCompiler;
import javax.tools.ToolProvider;
import org.junit.jupiter.api.Test;

/** The core says what its numbers are: every public type what it is, every number of a record its unit and range. */
class DocumentationTest {
    private static final Set<String> NUMBERS = Set.of("int", "long", "double", "Integer", "Long", "Double");

    @Test
    void every_public_type_says_what_it_is() throws IOException {
        assertThat(missing(Kind.TYPE)).isEmpty();
    }

    @Test
    void every_number_of_a_public_record_has_its_param() throws IOException {
        assertThat(missing(Kind.NUMBER)).isEmpty();
    }

    @Test
    void every_constructor_that_refuses_a_value_says_so() throws IOException {
        assertThat(missing(Kind.THROWS)).isEmpty();
    }

    private enum Kind {
        TYPE,
        NUMBER,
        THROWS
    }

    private static Set<String> missing(Kind kind) throws IOException {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        List<Path> sources;
        try (Stream<Path> all = Files.walk(Path.of("src/main/java"))) {
            sources = all.filter(path -> path.toString().endsWith(".java")).toList();
        }
        assertThat(sources).hasSizeGreaterThan(100);
        Set<String> found = new TreeSet<>();
        try (var files = compiler.getStandardFileManager(null, null, null)) {
            var task = (JavacTask) compiler.getTask(
                    null, files, null, List.of("-proc:none"), null, files.getJavaFileObjectsFromPaths(sources));
            DocTrees docs = DocTrees.instance(task);
            for (CompilationUnitTree unit : task.parse()) {
                new Reader(docs, kind, found).scan(unit, null);
            }
        }
        return found;
    }

    /** Walks the public types of one file. */
    private static final class Reader extends TreePathScanner<Void, Void> {
        private final DocTrees docs;
        private final Kind kind;
        private final Set<String> found;
        private final List<String> inside = new ArrayList<>();

        Reader(DocTrees docs, Kind kind, Set<String> found) {
            this.docs = docs;
            this.kind = kind;
            this.found = found;
        }

        @Override
        public Void visitClass(ClassTree type, Void nothing) {
            boolean partOfInterface = getCurrentPath().getParentPath().getLeaf().getKind() == Tree.Kind.INTERFACE;
            if (!type.getModifiers().getFlags().contains(Modifier.PUBLIC) && !partOfInterface) {
                return null;
            }
            inside.add(type.getSimpleName().toString());
            String name = String.join(".", inside);
            DocCommentTree comment = docs.getDocCommentTree(getCurrentPath());
            if (kind == Kind.TYPE && comment == null) {
                found.add(name);
            }
            if (kind == Kind.NUMBER && type.getKind() == Tree.Kind.RECORD) {
                Set<String> told = told(comment);
                numbers(type)
                        .filter(number -> !told.contains(number))
                        .forEach(number -> found.add(name + "." + number));
            }
            super.visitClass(type, null);
            inside.remove(inside.size() - 1);
            return null;
        }

        @Override
        public Void visitMethod(MethodTree method, Void nothing) {
            boolean open = method.getModifiers().getFlags().contains(Modifier.PUBLIC);
            boolean constructor = method.getReturnType() == null;
            if (kind == Kind.THROWS && open && constructor && refuses(method)) {
                DocCommentTree comment = docs.getDocCommentTree(getCurrentPath());
                if (comment == null || !comment.toString().contains("@throws")) {
                    found.add(String.join(".", inside));
                }
            }
            return null;
        }

        private static boolean refuses(MethodTree method) {
            String body = String.valueOf(method.getBody());
            return body.contains(".check(") || body.contains("throw new");
        }

        private static Stream<String> numbers(ClassTree type) {
            return type.getMembers().stream()
                    .filter(member -> member instanceof VariableTree v
                            && !v.getModifiers().getFlags().contains(Modifier.STATIC))
                    .map(VariableTree.class::cast)
                    .filter(tree -> NUMBERS.contains(tree.getType().toString().replaceAll(".* ", "")))
                    .map(tree -> tree.getName().toString());
        }

        private static Set<String> told(DocCommentTree comment) {
            return comment == null
                    ? Set.of()
                    : comment.getBlockTags().stream()
                            .filter(ParamTree.class::isInstance)
                            .map(tag -> ((ParamTree) tag).getName().toString())
                            .collect(Collectors.toSet());
        }
    }
}
