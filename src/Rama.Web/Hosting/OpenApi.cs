using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;
using Rama.Core.Explain;

namespace Rama.Web.Hosting;

/// <summary>The API document.</summary>
internal static class OpenApi
{
    public static void Configure(OpenApiOptions options) => options
        .AddSchemaTransformer((schema, context, _) =>
        {
            // Inherited constructor parameters are always answered too, but not seen as required.
            if (context.JsonTypeInfo.Type.IsAssignableTo(typeof(Calculated)))
                schema.Required = new HashSet<string>(schema.Required ?? new HashSet<string>()) { "value", "unit" };
            return Task.CompletedTask;
        })
        .AddDocumentTransformer((document, _, _) =>
    {
        document.Info = new()
        {
            Title = "Rama",
            Version = "v1",
            Description = "Entered amounts are {value, unit}; answers are SI and carry value, unit, formula steps and warnings.",
        };
        document.Servers?.Clear();
        return Task.CompletedTask;
    });
}
