using Microsoft.EntityFrameworkCore;
using Rama.Data;

namespace Rama.Web.Hosting;

/// <summary>
/// Sets the estate a request is for. Until accounts say whose it is, an installation holds one estate and listens on
/// this machine only.
/// </summary>
internal static class TheEstate
{
    public static async ValueTask<object?> Filter(EndpointFilterInvocationContext context, EndpointFilterDelegate next)
    {
        var services = context.HttpContext.RequestServices;
        var estate = await services.GetRequiredService<RamaContext>().Estates
            .OrderBy(e => e.Id).FirstOrDefaultAsync(context.HttpContext.RequestAborted);
        if (estate is null) return TypedResults.Problem(statusCode: 404, title: "There is no estate yet. Run ./rama reset to load the demo.");
        services.GetRequiredService<EstateScope>().EstateId = estate.Id;
        return await next(context);
    }
}
