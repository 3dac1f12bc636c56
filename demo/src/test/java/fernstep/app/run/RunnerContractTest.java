package fernstep.app.run;

import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Page;
import fernstep.app.AppExtension;
import fernstep.app.AppExtension.Running;
import fernstep.app.BrowserExtension;
import fernstep.app.Visitor;
import fernstep.app.ask.Visits;
import fernstep.core.findings.SignCode;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * The page without a connection and the rules agree: what the script makes of random stretches of events, overrides
 * included, is what the server makes of the same, or the script holds the set until it is told.
 */
@ExtendWith({AppExtension.class, BrowserExtension.class})
class RunnerContractTest extends AtTheMat {
    RunnerContractTest(Runner runner, Visits visits, Running app) {
        super(runner, visits, app);
    }

    private static final String PLAY = """
            async ({ seed, stretches, signs }) => {
              const url = document.querySelector('[x-data=runner]').dataset.url;
              let bits = seed;
              const random = () => {
                bits = (bits + 0x6D2B79F5) | 0;
                let t = Math.imul(bits ^ (bits >>> 15), 1 | bits);
                t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
                return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
              };
              const any = (all) => all[Math.floor(random() * all.length)];
              const read = async (path) => (await fetch(url + path, { headers: { 'X-Requested-With': 'fetch' } })).json();
              const known = {};
              const lookAhead = async (s) => {
                for (let at = s.at; at < s.items.length; at++) {
                  if (s.items[at].state === 'open') {
                    const found = await read('/answers?at=' + at);
                    if (found.key) { known[found.key] = found.bySign; }
                  }
                }
              };
              const post = async (event) => {
                const { shown, ...told } = event;
                const answer = await fetch(url + '/events', {
                  method: 'POST',
                  headers: { 'X-CSRF-TOKEN': fern.token(), 'Content-Type': 'application/json', 'X-Requested-With': 'fetch' },
                  body: JSON.stringify(told),
                });
                if (!answer.ok) { throw new Error(answer.status + ' to ' + JSON.stringify(told)); }
                return (await answer.json()).state;
              };
              const sign = (s) => {
                const code = any(signs.filter((c) => !s.seen.some((x) => x.code === c)));
                const told = { code, severity: any(['SLIGHT', 'CLEAR']) };
                if (code === 'PAIN') { Object.assign(told, { painLevel: any([2, 6]), sharp: random() < 0.2, place: any(['HIP', 'LOW_BACK']) }); }
                if (told.place === 'HIP') { told.side = any(['LEFT', 'RIGHT']); }
                if (code === 'SET_LOST') { told.recoverable = random() < 0.5; }
                return { kind: 'SIGN', sign: told };
              };
              const next = (s) => {
                if (s.advice && s.advice.open && random() < 0.5) {
                  const move = any(['CARRY_ON', 'CUE', 'EASE', 'END_SET', 'STEP_BACK', 'END_EXERCISE', 'END_SESSION']);
                  return { kind: 'OVERRIDE', chosen: { refersTo: s.advice.signEventId, move, reason: 'contract' }, shown: move };
                }
                if (s.phase === 'REST') { return random() < 0.2 && s.canRepeat ? { kind: 'REPEAT_SET' } : { kind: 'NEXT_SET' }; }
                if (s.phase === 'EFFORT') { return { kind: 'EFFORT', at: s.at, value: 3 }; }
                const roll = random();
                return roll < 0.65 ? { kind: 'REP', at: s.at } : roll < 0.97 ? sign(s) : { kind: 'SKIP', skip: 'NOT_SAID' };
              };
              const part = (s) => JSON.stringify({
                phase: s.phase, at: s.at, move: s.advice && (s.advice.overridden ? null : s.advice.move),
                items: s.phase === 'FINISHED' ? [] : s.items.map((i) => [i.rung, i.sideCode, i.state, i.set, i.sets, i.rep, i.target, i.rangePct, i.eased]),
              });
              const ended = (s) => s.phase === 'FINISHED' || s.phase === 'LOCKED';
              const seen = { equal: 0, held: 0, overridden: 0, signs: 0 };
              let server = await read('/state');
              for (let n = 0; n < stretches && !ended(server); n++) {
                await lookAhead(server);
                let script = server;
                const told = [];
                const length = 1 + Math.floor(random() * 8);
                while (told.length < length && script.phase !== 'HELD' && !ended(script)) {
                  const event = { id: crypto.randomUUID(), ...next(script) };
                  script = fernAhead.apply(script, event, known);
                  told.push(event);
                  seen.overridden += event.kind === 'OVERRIDE' ? 1 : 0;
                  seen.signs += event.kind === 'SIGN' ? 1 : 0;
                }
                for (const event of told) { server = await post(event); }
                if (script.phase === 'HELD') { seen.held += 1; continue; }
                if (part(script) !== part(server)) {
                  return { differs: 'after ' + JSON.stringify(told) + '\\nscript ' + part(script) + '\\nserver ' + part(server) };
                }
                seen.equal += 1;
              }
              return seen;
            }
            """;

    @ParameterizedTest
    @ValueSource(ints = {11, 22, 33, 44, 55, 66})
    void what_the_script_makes_of_it_is_what_the_server_makes_of_it(int seed, Visitor visitor) {
        Page page = running(visitor);
        List<String> signs = Arrays.stream(SignCode.values()).map(Enum::name).toList();
        Object played = page.evaluate(PLAY, Map.of("seed", seed, "stretches", 12, "signs", signs));
        assertThat(played)
                .asInstanceOf(org.assertj.core.api.InstanceOfAssertFactories.MAP)
                .doesNotContainKey("differs")
                .hasEntrySatisfying(
                        "equal", thing -> assertThat((Integer) thing).isPositive())
                .hasEntrySatisfying(
                        "overridden", thing -> assertThat((Integer) thing).isPositive());
    }
}
