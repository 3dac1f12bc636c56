package fernstep.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import com.networknt.schema.Schema;
import com.networknt.schema.SchemaLocation;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import fernstep.exchange.eval.Eval;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Lines as the evaluation is asked, checked against the published schemas on the way out. */
abstract class EvalAsked {
    static final JsonMapper JSON = JsonMapper.builder().build();
    static final Eval EVAL = new Eval();

    static final SchemaRegistry SCHEMAS = SchemaRegistry.withDefaultDialect(
            SpecificationVersion.DRAFT_2020_12,
            builder -> builder.schemaIdResolvers(
                    ids -> ids.mapPrefix("https://fernstep.example/schema/", "classpath:fernstep/schema/")));

    static JsonNode answer(String request) {
        Eval.Answer answer = EVAL.answer(request);
        JsonNode json = JSON.readTree(answer.json());
        JsonNode asked = JSON.readTree(request);
        if (answer.usable() && asked.has("op")) {
            String op = asked.get("op").stringValue();
            validate(op + "-request.json", request);
            validate(op + "-answer.json", answer.json());
        } else if (!answer.usable()) {
            validate("error.json", answer.json());
        }
        return json;
    }

    static void validate(String schema, String json) {
        Schema compiled = SCHEMAS.getSchema(SchemaLocation.of("https://fernstep.example/schema/" + schema));
        assertThat(compiled.validate(json, com.networknt.schema.InputFormat.JSON))
                .as(schema)
                .isEmpty();
    }

    static JsonNode error(String request) {
        Eval.Answer answer = EVAL.answer(request);
        assertThat(answer.usable()).isFalse();
        validate("error.json", answer.json());
        return JSON.readTree(answer.json()).get("error");
    }
}
