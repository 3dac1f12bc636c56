package fernstep.app.transfer;

import fernstep.app.security.SignedIn;
import fernstep.app.support.Words;
import fernstep.core.measure.Reason;
import fernstep.core.separation.Method;
import fernstep.exchange.table.TableKind;
import fernstep.exchange.table.TableKind.Column;
import fernstep.exchange.table.TableText;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.CacheControl;
import org.springframework.http.ResponseEntity;
import org.springframework.security.access.AccessDeniedException;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** A table that is brought in: what becomes of each row, which column is which, how far it is, and back again. */
@Controller
class TableController {
    private static final String UUID_SHAPE = "[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}";
    private static final int ROWS_SHOWN = 100;
    private static final int LINES_OF_CHARACTERS = 4;
    private static final int LONGEST_ABOUT = 120;
    private static final String HOME = "redirect:/house/import";

    private final TableImports tables;
    private final Words words;

    TableController(TableImports tables, Words words) {
        this.tables = tables;
        this.words = words;
    }

    @GetMapping("/house/import/table")
    String page(
            @RequestParam(defaultValue = "") String form,
            @RequestParam(defaultValue = "ALL") String show,
            @RequestParam(defaultValue = "0") int from,
            @AuthenticationPrincipal SignedIn me,
            Model model) {
        leadOnly(me);
        if (!form.matches(UUID_SHAPE)) {
            return HOME;
        }
        TableImportRow row = tables.byForm(form, me.staffId());
        model.addAttribute("row", row);
        model.addAttribute("kinds", TableKind.values());
        model.addAttribute("older", TableText.OLDER);
        if (row.state() == TableImportRow.State.LOOKED) {
            try {
                look(row, show, Math.max(0, from), model);
            } catch (TableText.Refused e) {
                refused(row, e, model);
            }
        }
        return "transfer/table";
    }

    private void look(TableImportRow row, String show, int from, Model model) throws TableText.Refused {
        TableText table = tables.table(row);
        TableKind kind = tables.kind(row, table);
        Map<Column, Integer> columns = tables.columns(row, table);
        model.addAttribute("table", table);
        model.addAttribute("characters", table.charset().name());
        String separator =
                switch (table.separator()) {
                    case ',' -> "COMMA";
                    case ';' -> "SEMICOLON";
                    default -> "TAB";
                };
        model.addAttribute("separator", words.text("separator." + separator));
        model.addAttribute("kind", kind);
        model.addAttribute("columns", columns);
        model.addAttribute("missing", kind.missing(columns));
        Optional<TablePreview> found = tables.look(row);
        found.ifPresent(preview -> {
            List<TablePreview.Line> shown = preview.lines().stream()
                    .filter(line -> show.equals("ALL") || line.becomes().name().equals(show))
                    .toList();
            int first = Math.min(from, Math.max(0, shown.size() - 1)) / ROWS_SHOWN * ROWS_SHOWN;
            model.addAttribute("preview", preview);
            model.addAttribute("counts", preview.counts());
            model.addAttribute("refusedRows", preview.refused());
            model.addAttribute("toWrite", preview.toWrite().size());
            model.addAttribute(
                    "fingers",
                    preview.toWrite().stream()
                            .anyMatch(line ->
                                    line.reading() != null && line.reading().method() == Method.FINGERS));
            model.addAttribute("show", show);
            model.addAttribute("first", first);
            model.addAttribute("found", shown.size());
            model.addAttribute("lines", shown.subList(first, Math.min(shown.size(), first + ROWS_SHOWN)));
            model.addAttribute("rowsShown", ROWS_SHOWN);
        });
    }

    /** Where only its reader can tell the characters, some of it is shown in each. */
    private void refused(TableImportRow row, TableText.Refused refused, Model model) {
        model.addAttribute("problem", words.of(Reason.of("transfer.table." + refused.why(), refused.line())));
        if (refused.why() == TableText.Refused.Why.CHARACTERS) {
            List<Map.Entry<String, List<String>>> looks = new ArrayList<>();
            for (String name : TableText.OLDER) {
                String text = new String(row.body(), Charset.forName(name));
                looks.add(Map.entry(
                        name,
                        text.lines()
                                .filter(line -> line.chars().anyMatch(number -> number > 127))
                                .limit(LINES_OF_CHARACTERS)
                                .map(line -> line.substring(0, Math.min(LONGEST_ABOUT, line.length())))
                                .toList()));
            }
            model.addAttribute("looks", looks);
        }
    }

    /** Which table it is, which column is which, whom it is about, and in what characters it is written. */
    @PostMapping("/house/import/table/columns")
    String columns(
            @RequestParam String form,
            @RequestParam(defaultValue = "") String kind,
            @RequestParam(defaultValue = "") String characters,
            @RequestParam(defaultValue = "") String about,
            @RequestParam Map<String, String> typed,
            @AuthenticationPrincipal SignedIn me) {
        leadOnly(me);
        if (!form.matches(UUID_SHAPE)) {
            return HOME;
        }
        TableImportRow row = tables.byForm(form, me.staffId());
        @Nullable String chosen = TableText.OLDER.contains(characters) ? characters : row.characters();
        Map<Column, Integer> columns = new EnumMap<>(Column.class);
        for (Column column : Column.values()) {
            String at = typed.getOrDefault("column." + column, "");
            if (at.matches("[0-9]{1,2}") && !columns.containsValue(Integer.valueOf(at))) {
                columns.put(column, Integer.valueOf(at));
            }
        }
        TableKind as = TableImports.kindOf(kind).orElse(null);
        String whom =
                about.strip().substring(0, Math.min(LONGEST_ABOUT, about.strip().length()));
        if (as == null) {
            tables.characters(form, chosen);
        } else {
            // another table has other columns: its names say which
            boolean same = row.kind() == null || row.kind().equals(as.name());
            columns.keySet().retainAll(as.columns());
            tables.settings(form, as, same ? columns : Map.of(), whom, chosen);
        }
        return page(form);
    }

    private static String page(String form) {
        return "redirect:/house/import/table?form=" + form;
    }

    @PostMapping("/house/import/table/take")
    String take(
            @RequestParam String form,
            @RequestParam(defaultValue = "false") boolean alsoIncomplete,
            @AuthenticationPrincipal SignedIn me) {
        leadOnly(me);
        if (!form.matches(UUID_SHAPE)) {
            return HOME;
        }
        tables.byForm(form, me.staffId());
        // what cannot be taken stands on the page, with its reason
        tables.take(form, alsoIncomplete);
        return page(form);
    }

    /**
     * How far it is.
     *
     * @param done rows, of all
     */
    record Progress(TableImportRow.State state, int done, int all, boolean moving) {}

    @GetMapping("/house/import/table/progress")
    ResponseEntity<Progress> progress(@RequestParam String form, @AuthenticationPrincipal SignedIn me) {
        leadOnly(me);
        if (!form.matches(UUID_SHAPE)) {
            return ResponseEntity.notFound().build();
        }
        TableImportRow row = tables.byForm(form, me.staffId());
        return ResponseEntity.ok()
                .cacheControl(CacheControl.noStore())
                .body(new Progress(row.state(), row.rowsDone(), row.rowsAll(), row.moving()));
    }

    @PostMapping("/house/import/table/cancel")
    String cancel(@RequestParam String form, @AuthenticationPrincipal SignedIn me) {
        leadOnly(me);
        if (!form.matches(UUID_SHAPE)) {
            return HOME;
        }
        tables.cancel(form);
        return page(form);
    }

    @PostMapping("/house/import/table/undo")
    String undo(@RequestParam String form, @AuthenticationPrincipal SignedIn me, RedirectAttributes flash) {
        leadOnly(me);
        if (!form.matches(UUID_SHAPE)) {
            return HOME;
        }
        int changed = tables.undo(form, me.staffId());
        if (changed > 0) {
            flash.addFlashAttribute("told", words.text("transfer.tableChanged", changed));
        }
        return page(form);
    }

    private static void leadOnly(SignedIn me) {
        if (!me.isLead()) {
            throw new AccessDeniedException("leads only");
        }
    }
}
