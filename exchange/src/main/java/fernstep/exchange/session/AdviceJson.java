package fernstep.exchange.session;

import fernstep.core.catalogue.Lever;
import fernstep.core.catalogue.RungForm;
import fernstep.core.decision.Advice;
import fernstep.core.decision.LeverChange;
import fernstep.core.decision.Move;
import fernstep.core.decision.RuleId;
import fernstep.core.findings.SignCode;
import fernstep.core.measure.Range;
import fernstep.exchange.casefile.CaseObject;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** The next safe move in writing. */
final class AdviceJson {
    private static final JsonNodeFactory NODES = JsonMapper.shared().getNodeFactory();

    private AdviceJson() {}

    static Advice read(JsonNode node) {
        CaseObject o = CaseObject.at(node, "advice");
        List<String> alsoSeen = new ArrayList<>();
        node.path("alsoSeen").forEach(each -> alsoSeen.add(each.stringValue()));
        return new Advice(
                o.code("move", Move.class),
                change(node.path("change")),
                stepBack(o),
                number(node.path("loadChangePct")),
                o.code("rule", RuleId.class),
                FactJson.reason(node.path("reason")),
                o.optionalCode("watchNext", SignCode.class).orElse(null),
                runnerUp(node.path("runnerUp")),
                alsoSeen,
                o.optionalFlag("closesLoadedRungs").orElse(false),
                o.optionalFlag("refers").orElse(false));
    }

    private static Advice.@Nullable StepBack stepBack(CaseObject object) {
        return object.optionalText("stepBackTo")
                .map(rung -> new Advice.StepBack(
                        rung,
                        object.optionalCode("stepBackForm", RungForm.class).orElse(RungForm.PLAIN),
                        object.optionalNumber("stepBackRange", Range.RANGE_FRACTION)
                                .orElse(0.0)))
                .orElse(null);
    }

    private static @Nullable LeverChange change(JsonNode node) {
        if (!node.isObject()) {
            return null;
        }
        return new LeverChange(
                CaseObject.at(node, "change").code("lever", Lever.class),
                FactJson.fact(node.path("from")),
                FactJson.fact(node.path("to")),
                change(node.path("with")),
                number(node.path("loadChangePct")));
    }

    private static Advice.@Nullable RunnerUp runnerUp(JsonNode node) {
        if (!node.isObject()) {
            return null;
        }
        return new Advice.RunnerUp(
                CaseObject.at(node, "runnerUp").code("move", Move.class),
                change(node.path("change")),
                FactJson.reason(node.path("reason")));
    }

    private static @Nullable Double number(JsonNode node) {
        return node.isNumber() ? Double.valueOf(node.doubleValue()) : null;
    }

    static JsonNode write(Advice advice) {
        ObjectNode node = NODES.objectNode().put("move", advice.move().name());
        node.set("change", change(advice.change()));
        Advice.StepBack back = advice.back();
        node.put("stepBackTo", advice.stepBackTo())
                .put("stepBackForm", back == null ? null : back.form().name())
                .put("stepBackRange", advice.stepBackRange())
                .put("loadChangePct", advice.loadChangePct())
                .put("rule", advice.rule().name())
                .set("reason", FactJson.write(advice.reason()));
        node.put(
                        "watchNext",
                        advice.watchNext() == null ? null : advice.watchNext().name())
                .set("runnerUp", runnerUp(advice.runnerUp()));
        ArrayNode also = node.putArray("alsoSeen");
        advice.alsoSeen().forEach(also::add);
        return node.put("closesLoadedRungs", advice.closesLoadedRungs()).put("refers", advice.refers());
    }

    private static JsonNode change(@Nullable LeverChange change) {
        if (change == null) {
            return NODES.nullNode();
        }
        ObjectNode node = NODES.objectNode().put("lever", change.lever().name());
        node.set("from", FactJson.fact(change.from()));
        node.set("to", FactJson.fact(change.to()));
        if (change.with() != null) {
            node.set("with", change(change.with()));
        }
        return node.put("loadChangePct", change.loadChangePct());
    }

    private static JsonNode runnerUp(Advice.@Nullable RunnerUp next) {
        if (next == null) {
            return NODES.nullNode();
        }
        ObjectNode node = NODES.objectNode().put("move", next.move().name());
        node.set("change", change(next.change()));
        node.set("reason", FactJson.write(next.reason()));
        return node;
    }
}
