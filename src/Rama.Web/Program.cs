using System.IO.Compression;
using System.Reflection;
using Microsoft.AspNetCore.ResponseCompression;
using Rama.Data.Database;
using Rama.Web.Accounts;
using Rama.Web.Check;
using Rama.Web.Count;
using Rama.Web.Crew;
using Rama.Web.Decide;
using Rama.Web.Estate;
using Rama.Web.Exchange;
using Rama.Web.Hosting;
using Rama.Web.Passes;
using Rama.Web.Prescribe;
using Rama.Web.Result;
using Rama.Web.Season;
using Rama.Web.Target;
using Rama.Web.Training;
using Rama.Web.Weather;

var builder = WebApplication.CreateBuilder(args);
if (args is ["prepare", .. var demo])
{
    await Preparation.RunAsync(builder.Configuration, demo.FirstOrDefault());
    return 0;
}
if (args is ["password", var email])
    return await Preparation.PasswordAsync(builder.Configuration, email);

builder.WebHost.ConfigureKestrel(server => server.Limits.MaxRequestBodySize = 1_000_000);
builder.Services.ConfigureHttpJsonOptions(json => StrictJson.Configure(json.SerializerOptions));
builder.Services.Configure<RouteHandlerOptions>(options => options.ThrowOnBadRequest = true);
builder.Services.AddProblemDetails();
builder.Services.AddExceptionHandler<Problems.UnreadableBody>();
builder.Services.AddExceptionHandler<Problems.OthersSave>();
builder.Services.AddExceptionHandler<Problems.DatabaseAway>();
builder.Services.AddOpenApi("v1", OpenApi.Configure);
builder.Services.AddSingleton(TimeProvider.System);
builder.Services.AddMemoryCache();

// Half the cores are left to those who ask for a page meanwhile.
builder.Services.AddSingleton(new HeavyWork(Math.Max(1, Environment.ProcessorCount / 2)));
builder
    .Services.AddSingleton<PlanTurns>()
    .AddSingleton<SeasonDesk>()
    .AddHostedService(services => services.GetRequiredService<SeasonDesk>())
    .AddScoped<PlanCache>()
    .AddScoped<SeasonPage>()
    .AddScoped<KeptSeason>()
    .AddScoped<SeasonLines>()
    .AddScoped<PlantingYears>()
    .AddScoped<EstateWorks>()
    .AddScoped<EstateChecks>()
    .AddScoped<EstateCrops>()
    .AddScoped<SeasonCloser>()
    .AddScoped<EstateDepths>();
builder.Services.AddScoped<MachineFile>();
builder.Services.AddScoped<PrintRun>();
builder.Services.AddScoped<BenchTrees>().AddSingleton<BenchCache>();
builder.Services.AddRamaAccounts(builder.Configuration).AddReverseProxy(builder.Configuration);
builder.Services.AddResponseCompression().AddHealth();
builder.AddTelemetry();

// The fastest level, the default, makes the first page a quarter larger.
builder.Services.Configure<BrotliCompressionProviderOptions>(brotli => brotli.Level = CompressionLevel.Optimal);
builder.Services.Configure<GzipCompressionProviderOptions>(gzip => gzip.Level = CompressionLevel.Optimal);

// The build runs this program once to write the API document; there is no database then.
var describing = Assembly.GetEntryAssembly()?.GetName().Name == "GetDocument.Insider";
builder.Services.AddWeather(polls: !describing);
builder.Services.AddRamaDatabase(
    describing
        ? ""
        : builder.Configuration.GetConnectionString("Rama")
            ?? throw new InvalidOperationException("No database: set ConnectionStrings__Rama, or use ./rama start.")
);

var app = builder.Build();

// First, so that all others see whom the proxy speaks for.
app.UseForwardedHeaders();

// What a handler has answered is not logged again as an error of the server.
app.UseExceptionHandler();
app.UseStatusCodePages();
app.UseHsts();
app.UseSecurityHeaders();
app.UseReadableAddressesOnly();
app.UseOwnPagesOnly();
app.UseResponseCompression();
app.UseFrontEndFiles();
app.UseAuthentication();
app.UseRateLimiter();
app.UseAuthorization();
app.MapOpenApi("/openapi/{documentName}.json");
app.MapHealth();

var api = app.MapGroup("/api/v1")
    .ProducesValidationProblem()
    .AddEndpointFilter(Problems.Filter)
    .AddEndpointFilter(HiddenMoney.Filter);
api.MapSession().MapPeople().MapInvitations().MapMachineTokens();
api.MapImport().MapExport().MapMachineFiles();
api.MapSeason()
    .MapPasses()
    .MapTraining()
    .MapRework()
    .MapRenewal()
    .MapWeather()
    .MapEstate()
    .MapTarget()
    .MapCount()
    .MapDecide()
    .MapPrescribe()
    .MapCrew()
    .MapCrewPlan()
    .MapTrials()
    .MapDepths()
    .MapCosts()
    .MapCrewCalendar()
    .MapToday()
    .MapWork()
    .MapChecks()
    .MapResult()
    .MapLearning()
    .MapSeasonReport()
    .MapCrop()
    .MapWinter();
api.MapGroup("/calculations")
    .WithTags("Calculations")
    .RequireAuthorization()
    .MapEstateCalculators()
    .MapTargetCalculators()
    .MapSeasonCalculators()
    .MapPassCalculators()
    .MapCrewCalculators()
    .MapCheckCalculators()
    .MapResultCalculators()
    .MapCountCalculators()
    .MapDecideCalculators()
    .MapTrainingCalculators()
    .MapPrescribeCalculators();

app.MapFrontEnd();
app.Run();
return 0;

/// <summary>Named for the tests that start the application.</summary>
public partial class Program;
