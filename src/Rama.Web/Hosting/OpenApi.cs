using Microsoft.AspNetCore.OpenApi;

namespace Rama.Web.Hosting;

/// <summary>The API document.</summary>
internal static class OpenApi
{
    public static void Configure(OpenApiOptions options) =>
        options
            .AddSchemaTransformer(
                (schema, context, _) =>
                {
                    // What an answer computes or inherits is always there too, but only constructor parameters are seen as required.
                    var answered = context
                        .JsonTypeInfo.Properties.Where(p => p.Set is null || p.AssociatedParameter is null)
                        .Select(p => p.Name);
                    if (
                        context.JsonTypeInfo.Type is { Namespace: { } space } type
                        && space.StartsWith("Rama.", StringComparison.Ordinal)
                        && schema.Required?.Count > 0
                    )
                        schema.Required = new HashSet<string>(schema.Required.Concat(answered));
                    return Task.CompletedTask;
                }
            )
            .AddDocumentTransformer(
                (document, _, _) =>
                {
                    document.Info = new()
                    {
                        Title = "Rama",
                        Version = "v1",
                        Description =
                            "Entered amounts are {value, unit}; answers are SI and carry value, unit, formula steps and warnings.",
                    };
                    document.Servers?.Clear();
                    return Task.CompletedTask;
                }
            );
}
