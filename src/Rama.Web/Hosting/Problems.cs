using System.Text.Json;
using Microsoft.AspNetCore.Diagnostics;
using Microsoft.AspNetCore.Http.HttpResults;
using Microsoft.EntityFrameworkCore;
using Npgsql;
using Rama.Core.Explain;
using Rama.Data.Database;
using Rama.Data.Exchange;
using Rama.Data.Field;

namespace Rama.Web.Hosting;

/// <summary>Entries that cannot be used, told field by field.</summary>
internal static class Problems
{
    /// <summary>Turns the core's complaint about an entry into a validation problem.</summary>
    public static async ValueTask<object?> Filter(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        // Seasons of an address are everywhere the same, and a year may end up in a date anywhere.
        if (
            int.TryParse(context.HttpContext.Request.Query["season"], out var season)
            && (season < SoundValues.Years.From || season > SoundValues.Years.To)
        )
            return Unusable([
                new(
                    "season",
                    "range",
                    $"Season: expected {SoundValues.Years.From} to {SoundValues.Years.To}.",
                    SoundValues.Years.From,
                    SoundValues.Years.To
                ),
            ]);
        try
        {
            return await next(context);
        }
        catch (UnusableEntryException e)
        {
            return Unusable(e.Problems);
        }
        catch (UnreadableFileException e)
        {
            return Unusable([new("file", $"file-{e.Code}", $"File: {e.Message}")]);
        }
        catch (FieldBusyException)
        {
            context.HttpContext.Response.Headers.RetryAfter = "5";
            return TypedResults.Problem(
                statusCode: StatusCodes.Status503ServiceUnavailable,
                title: "Many send at this moment. Nothing is lost; send again."
            );
        }
        catch (LineFullException)
        {
            context.HttpContext.Response.Headers.RetryAfter = "10";
            return TypedResults.Problem(
                statusCode: StatusCodes.Status429TooManyRequests,
                title: "Too much long work is waiting. Let some of it end, then try again."
            );
        }
    }

    private static ProblemHttpResult Unusable(IReadOnlyList<FieldProblem> problems) =>
        TypedResults.Problem(
            new HttpValidationProblemDetails(
                problems.GroupBy(p => p.Field).ToDictionary(g => g.Key, g => g.Select(p => p.Message).ToArray())
            )
            {
                Status = StatusCodes.Status400BadRequest,
                Title = "Some of the entries cannot be used.",
                // The same with codes and ranges, for showing them in the reader's language and units.
                Extensions = { ["problems"] = problems },
            }
        );

    /// <summary>Answers that somebody else has saved, or made, the same at this moment: one of them did.</summary>
    internal sealed class OthersSave : IExceptionHandler
    {
        public async ValueTask<bool> TryHandleAsync(HttpContext http, Exception exception, CancellationToken cancel)
        {
            if (exception is not DbUpdateException save || !save.IsOthersSave())
                return false;
            await TypedResults
                .Problem(
                    statusCode: StatusCodes.Status409Conflict,
                    title: "Someone else saved the same at this moment. Look at it again."
                )
                .ExecuteAsync(http);
            return true;
        }
    }

    /// <summary>Answers that the database is away, so that a person knows to try again.</summary>
    internal sealed class DatabaseAway(ILogger<DatabaseAway> log) : IExceptionHandler
    {
        public async ValueTask<bool> TryHandleAsync(HttpContext http, Exception exception, CancellationToken cancel)
        {
            // EF wraps what the driver says once or twice.
            var cause = exception;
            while (cause is not null && !IsAway(cause))
                cause = cause.InnerException;
            if (cause is null)
                return false;
            log.LogError(cause, "The database does not answer.");
            http.Response.Headers.RetryAfter = "5";
            await TypedResults
                .Problem(
                    statusCode: StatusCodes.Status503ServiceUnavailable,
                    title: "The database does not answer. Try again in a moment."
                )
                .ExecuteAsync(http);
            return true;
        }

        // Class 57P is an operator who ends, starts or crashes it.
        private static bool IsAway(Exception cause) =>
            cause is NpgsqlException { IsTransient: true }
            || cause is PostgresException stopped && stopped.SqlState.StartsWith("57P", StringComparison.Ordinal);
    }

    /// <summary>Answers a request body that is not the JSON expected, naming the place.</summary>
    internal sealed class UnreadableBody : IExceptionHandler
    {
        public async ValueTask<bool> TryHandleAsync(HttpContext http, Exception exception, CancellationToken cancel)
        {
            if (exception is not BadHttpRequestException bad)
                return false;
            http.Response.StatusCode = bad.StatusCode;
            var result =
                bad.InnerException is JsonException json && bad.StatusCode == StatusCodes.Status400BadRequest
                    ? Unusable([new(StrictJson.FieldOf(json), StrictJson.CodeOf(json), StrictJson.ExpectationOf(json))])
                    : TypedResults.Problem(
                        statusCode: bad.StatusCode,
                        title: bad.StatusCode == StatusCodes.Status413PayloadTooLarge
                            ? "This is larger than Rama takes."
                            : "The request cannot be read."
                    );
            await result.ExecuteAsync(http);
            return true;
        }
    }
}
