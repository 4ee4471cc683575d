using Rama.Core.Training;

namespace Rama.Web.Training;

internal static class TrainingEndpoints
{
    public static RouteGroupBuilder MapTrainingCalculators(this RouteGroupBuilder calculations)
    {
        calculations
            .MapPost("/bud-removal", (BudRemovalEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Buds to take off a bare leader so that limbs come in their places");
        calculations
            .MapPost("/first-crop", (FirstCropEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Most fruit a young tree may carry, and when its leader reaches the top wire");
        calculations
            .MapPost("/system-comparison", (SystemComparisonEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Labour of two systems leaf by leaf, and the leaf in which their lines cross");
        calculations
            .MapPost("/renewal-forecast", (RenewalForecastEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Age of the limbs over the winters ahead when the oldest go first");
        calculations
            .MapPost("/side-calendar", (SideCalendarEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Which side of each alley is renewed in which season");
        calculations
            .MapPost("/taking-out", (TakingOutEntry entry) => TypedResults.Ok(entry.Calculate()))
            .WithSummary("Taking every second tree out against keeping all, with the break-even decline");
        return calculations;
    }
}
