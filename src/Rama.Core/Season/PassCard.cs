using System.Text.Json;
using Rama.Core.Estate;
using Rama.Core.Passes;
using Rama.Core.Prescribe;
using Rama.Core.Prescribe.Bench;
using Rama.Core.Result.Thinning;
using Rama.Core.Training;

namespace Rama.Core.Season;

/// <summary>
/// The page for one pass: what is done, when, on which days and by whom, in words ready to print. Of a pass that goes
/// to the number it is the short form; the whole card is the <see cref="PruningCard"/> of the winter.
/// </summary>
/// <param name="Language">Language of the card.</param>
/// <param name="Block">Code and name of the block.</param>
/// <param name="About">Variety, rootstock and system.</param>
/// <param name="Pass">The pass in two or three words.</param>
/// <param name="Headline">What to leave, where it goes to the number, or how many a tree; empty otherwise.</param>
/// <param name="What">What is done.</param>
/// <param name="Lines">What else those who do it go by, a sentence each; none where there is nothing.</param>
/// <param name="From">First day it is planned for; null without an estimate.</param>
/// <param name="To">Last day.</param>
/// <param name="Days">What its days must be like, a sentence each.</param>
/// <param name="Hands">Who does it.</param>
/// <param name="CutsHeading">Heading of the cuts.</param>
/// <param name="Cuts">Its cuts in order; none for a pass without.</param>
/// <param name="Stop">Where it ends; empty where it has no cuts.</param>
/// <param name="KeepHeading">Heading of what not to cut.</param>
/// <param name="Keep">What not to cut; none for a pass without cuts.</param>
/// <param name="SafetyHeading">Heading of the cautions.</param>
/// <param name="Safety">Cautions.</param>
/// <param name="DrawingCaption">Caption of the drawing.</param>
/// <param name="Drawing">A typical tree with the cuts; null where there is no prescription, or nothing is cut.</param>
/// <param name="Leader">A bare leader bud by bud, where branches are made on it; null otherwise.</param>
/// <param name="LeaderCaption">Caption of that.</param>
public sealed record PassCard(
    string Language,
    string Block,
    string About,
    string Pass,
    string Headline,
    string What,
    IReadOnlyList<string> Lines,
    DateOnly? From,
    DateOnly? To,
    IReadOnlyList<string> Days,
    string Hands,
    string CutsHeading,
    IReadOnlyList<CardCut> Cuts,
    string Stop,
    string KeepHeading,
    IReadOnlyList<string> Keep,
    string SafetyHeading,
    IReadOnlyList<string> Safety,
    string DrawingCaption,
    CardDrawing? Drawing,
    BareLeader? Leader = null,
    string LeaderCaption = ""
)
{
    /// <summary>Writes the card of a pass.</summary>
    /// <param name="pass">The pass.</param>
    /// <param name="planting">The planting.</param>
    /// <param name="of">What its winter prescribes; null without a prescription.</param>
    /// <param name="reader">Who it is written for.</param>
    /// <param name="branches">How branches are made, where the pass is about a bare leader.</param>
    /// <param name="thinning">What hand thinning has to take off; null where nobody can tell.</param>
    public static PassCard Of(
        PlannedPass pass,
        Planting planting,
        PrescribedPlanting? of,
        CardReader reader,
        BranchWay branches = BranchWay.Buds,
        ThinningLoad? thinning = null
    )
    {
        var load = PassIds.IsThinning(pass.Id) ? thinning : null;
        if (branches == BranchWay.Agent && pass.Task?.Leader is { } leader)
            pass = pass with { Task = pass.Task with { Leader = leader.WithAgent() } };
        CardWords words = new(reader.Language, Catalogue.Shipped.Crop(planting.Variety.Crop));
        var toTheNumber = of is not null && pass.IsWinter && pass.Id != PassIds.Major;
        CardWriter? winter = of is null || !pass.IsWinter ? null : new(of, reader with { Pass = pass.Id });
        var (cuts, drawing) =
            pass.Cuts.Count == 0 ? ([], null)
            : of is null ? (NamedAlone(pass, planting, words), null)
            : winter is not null ? (winter.Cuts(), winter.Drawing())
            : OnItsBench(pass, of, words);
        return new(
            words.Language,
            planting.Title,
            $"{planting.Variety.Name} / {planting.Rootstock.Name} · {words.Say(planting.System.Name)}",
            words.Say(pass.Name),
            toTheNumber ? winter!.Headline()
                : load is not null ? ThinningLines.Headline(load, of, words)
                : HeadlineOf(pass.Task, words),
            load is null ? words.Say(pass.What) : "",
            load is null ? [] : ThinningLines.Of(load, of, reader, words),
            pass.From,
            pass.To,
            [.. pass.On.Select(c => words.Say($"day-{Camel(c)}"))],
            string.Join(", ", pass.Hands.Select(h => words.Say($"hands-{Camel(h)}"))),
            words.Say("cuts-heading"),
            cuts,
            toTheNumber ? winter!.Stop()
                : cuts.Count == 0 ? ""
                : words.Say(pass.Id == PassIds.Major ? "pass-major" : "pass-other"),
            words.Say("keep-heading"),
            cuts.Count == 0 ? [] : [.. planting.System.KeepOff.Select(words.Say)],
            words.Say("safety-heading"),
            // What the line for all says already is not said twice.
            [
                .. pass.Caution is { } caution && !words.Say("safety").Contains(words.Say(caution))
                    ? new[] { words.Say(caution) }
                    : [],
                words.Say(PassIds.IsThinning(pass.Id) ? "safety-thinning" : "safety"),
            ],
            words.Say("drawing"),
            drawing,
            pass.Task?.Leader,
            words.Say(pass.Task?.Leader?.Way == BranchWay.Agent ? "leader-drawing-agent" : "leader-drawing")
        );
    }

    private static string HeadlineOf(PlannedTask? task, CardWords words) =>
        task switch
        {
            { Leader: { Way: BranchWay.Agent } banded } => words.Say("task-leader-agent", banded.BandsCm.Count),
            { Leader: { } leader } => words.Say(
                "task-leader",
                leader.Kept,
                leader.Buds.Count,
                leader.Buds.Count(b => b.Fate == BudFate.TopOff)
            ),
            { PerTree: { } number, What: { } what } => words.Say("task-amount", number, words.Say(what)),
            _ => "",
        };

    // What the winter does not cut is cut on the bench of its own pass.
    private static (IReadOnlyList<CardCut>, CardDrawing?) OnItsBench(
        PlannedPass pass,
        PrescribedPlanting of,
        CardWords words
    )
    {
        var (bench, _) = new BenchChoice(Pass: pass.BenchPass).Put(of);
        var steps = of.Planting.System.Steps.ToDictionary(s => s.Id);
        var outcomes = bench.Outcomes();
        return (
            [
                .. outcomes.Select(
                    (o, i) =>
                        new CardCut(
                            i + 1,
                            o.StepId,
                            true,
                            words.Say(o.Name),
                            o.Cuts == 0 ? words.Say("on-some-trees") : words.Say("about-a-tree", o.Cuts),
                            "",
                            words.Say(steps[o.StepId].LookFor),
                            words.Say(steps[o.StepId].How),
                            steps[o.StepId].Caution is { } caution ? words.Say(caution) : null
                        )
                ),
            ],
            CardDrawing.Of(bench, outcomes.Index().ToDictionary(o => o.Item.StepId, o => o.Index + 1))
        );
    }

    private static IReadOnlyList<CardCut> NamedAlone(PlannedPass pass, Planting planting, CardWords words) =>
        [
            .. from cut in pass.Cuts.Index()
            join step in planting.System.Steps on cut.Item.Id equals step.Id
            select new CardCut(
                cut.Index + 1,
                step.Id,
                true,
                words.Say(step.Name),
                "",
                "",
                words.Say(step.LookFor),
                words.Say(step.How),
                step.Caution is { } caution ? words.Say(caution) : null
            ),
        ];

    private static string Camel<T>(T value)
        where T : struct, Enum => JsonNamingPolicy.CamelCase.ConvertName(value.ToString());
}
