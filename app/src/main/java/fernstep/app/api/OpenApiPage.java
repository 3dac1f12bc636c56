package fernstep.app.api;

import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.security.SecurityRequirement;
import io.swagger.v3.oas.models.security.SecurityScheme;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What the description of the API says beyond its routes, which are read from the code. */
@Configuration
class OpenApiPage {
    private static final String TOKEN = "token";

    @Bean
    OpenAPI description() {
        return new OpenAPI()
                .info(new Info()
                        .title("Fern Step")
                        .version("1")
                        .description(
                                "Reads the record of a house. Codes, units and ranges are those of its case format."
                                        + " 401 without a token, 403 outside its scopes, 404 for who is not there for it,"
                                        + " 429 with Retry-After above the calls of a minute."))
                .components(new Components()
                        .addSecuritySchemes(
                                TOKEN,
                                new SecurityScheme()
                                        .type(SecurityScheme.Type.HTTP)
                                        .scheme("bearer")))
                .addSecurityItem(new SecurityRequirement().addList(TOKEN));
    }
}
