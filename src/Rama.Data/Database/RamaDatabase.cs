using Microsoft.EntityFrameworkCore;
using Microsoft.Extensions.DependencyInjection;
using Rama.Data.Check;
using Rama.Data.Count;
using Rama.Data.Count.Scan;
using Rama.Data.Crew;
using Rama.Data.Estate;
using Rama.Data.Estate.Notes;
using Rama.Data.Estate.Removed;
using Rama.Data.Exchange;
using Rama.Data.Field;
using Rama.Data.History;
using Rama.Data.Passes;
using Rama.Data.Plan;
using Rama.Data.Prescribe;
using Rama.Data.Result;
using Rama.Data.Season;
using Rama.Data.Target;
using Rama.Data.Training;
using Rama.Data.Training.Rework;
using Rama.Data.Weather;

namespace Rama.Data.Database;

/// <summary>Wires the database into an application.</summary>
public static class RamaDatabase
{
    /// <summary>Registers context, stores and loaders on a PostgreSQL connection.</summary>
    public static IServiceCollection AddRamaDatabase(this IServiceCollection services, string connection) =>
        services
            .AddDbContext<RamaContext>(
                (provider, options) =>
                    options
                        .UseNpgsql(connection)
                        .UseSnakeCaseNamingConvention()
                        .AddInterceptors(
                            new ScopedConnection(provider.GetRequiredService<EstateScope>()),
                            new HistoryInterceptor(
                                provider.GetRequiredService<EstateScope>(),
                                provider.GetRequiredService<TimeProvider>()
                            ),
                            new SignalledSave(
                                provider.GetRequiredService<EstateScope>(),
                                provider.GetRequiredService<SaveSignal>()
                            ),
                            new SignalledTransaction(
                                provider.GetRequiredService<EstateScope>(),
                                provider.GetRequiredService<SaveSignal>()
                            )
                        )
            )
            .AddScoped<EstateScope>()
            .AddSingleton<SaveSignal>()
            .AddScoped<EstateStore>()
            .AddScoped<CatalogueStore>()
            .AddSingleton<OwnSystems>()
            .AddSingleton<EstateLearning>()
            .AddScoped<PlantingStore>()
            .AddScoped<RemovedPlantings>()
            .AddScoped<NoteStore>()
            .AddScoped<TargetStore>()
            .AddScoped<MeasuredTreesStore>()
            .AddScoped<FieldInbox>()
            .AddSingleton<FieldTurns>()
            .AddSingleton<FieldHandlers>()
            .AddSingleton<FieldHandler, CountedTreesFromField>()
            .AddSingleton<FieldHandler, SkippedTreesFromField>()
            .AddSingleton<FieldHandler, CutBudsFromField>()
            .AddSingleton<FieldHandler, MarksFromField>()
            .AddSingleton<FieldHandler, ReworkFromField>()
            .AddSingleton<FieldHandler, WorkFromField>()
            .AddSingleton<FieldHandler, CheckFromField>()
            .AddSingleton<FieldHandler, CropFromField>()
            .AddScoped<PhotoStore>()
            .AddScoped<PrescribeStore>()
            .AddScoped<PracticeStore>()
            .AddScoped<ExerciseStore>()
            .AddScoped<CheckStore>()
            .AddScoped<CropStore>()
            .AddScoped<LearningStore>()
            .AddScoped<WorkerStore>()
            .AddScoped<CrewStore>()
            .AddScoped<SeasonStore>()
            .AddScoped<KeptSeasonStore>()
            .AddScoped<PassStore>()
            .AddScoped<NotedDaysStore>()
            .AddScoped<TrainingStore>()
            .AddScoped<ReworkStore>()
            .AddScoped<WeatherStore>()
            .AddScoped<MapStore>()
            .AddScoped<DatabaseSetup>()
            .AddScoped<Importer>()
            .AddScoped<ImportMemory>()
            .AddScoped<ImportUndo>()
            .AddScoped<ScanImporter>()
            .AddScoped<EstateArchive>()
            .AddScoped<DemoLoader>();
}
