"""Fits: what a press fit holds and takes, warming and chilling, taper bores, raceways."""

from __future__ import annotations

import math

from ample.core.errors import BadInput
from ample.core.standards.iso286 import limits
from ample.core.standards.rings import ring_limits

Answers = dict[str, float]
SMOOTHING_MM = {"ground": 2.0, "turned": 3.0}
LOOSENING = 0.08  # µm per √(mm·N/mm)
WARMING = 0.0015  # µm per K and mm
# bore over, to, mm; reduction, µm: spherical roller bearings, bore 1:12 (common to handbooks, from memory)
_DRIVE_UP = (
    (24, 30, 15, 20), (30, 40, 20, 25), (40, 50, 25, 30), (50, 65, 30, 40), (65, 80, 40, 50), (80, 100, 45, 60),
    (100, 120, 50, 70), (120, 140, 65, 90), (140, 160, 75, 100), (160, 180, 80, 110), (180, 200, 90, 130),
    (200, 225, 100, 140), (225, 250, 110, 150), (250, 280, 120, 170), (280, 315, 130, 190), (315, 355, 150, 210),
    (355, 400, 170, 230), (400, 450, 200, 260), (450, 500, 210, 280),
)  # fmt: skip


def effective_interference(bore_mm: float, interference_um: float, finish: str) -> Answers:
    """What is left of a measured interference when the peaks of the seat are pressed flat.

    Formula: i·d/(d + 2) ground seat, i·d/(d + 3) turned seat
    Worked: {interference_um}·{bore_mm}/({bore_mm} + x) = {effective_um} µm
    Valid: solid shafts.
    Source: bearing handbooks
    Example:
        >>> round(effective_interference(50, 20, "ground")["effective_um"], 2)
        19.23
    """
    return {"effective_um": interference_um * bore_mm / (bore_mm + SMOOTHING_MM[finish])}


def interference_lost(bore_mm: float, width_mm: float, radial_n: float, warmer_k: float) -> Answers:
    """How much of its interference an inner ring loses by its load and by running warmer inside.

    Formula: by load 0.08·√(d·Fr/B) µm; by heat 0.0015·ΔT·d µm
    Worked: 0.08·√({bore_mm}·{radial_n}/{width_mm}) = {by_load_um} µm; 0.0015·{warmer_k}·{bore_mm} = {by_heat_um} µm
    Valid: d and B in mm, Fr in N; the inside ΔT warmer than about it.
    Source: bearing handbooks
    Example:
        >>> round(interference_lost(50, 20, 10000, 20)["by_load_um"], 2)
        12.65
    """
    return {
        "by_load_um": LOOSENING * math.sqrt(bore_mm * radial_n / width_mm),
        "by_heat_um": WARMING * warmer_k * bore_mm,
    }


def raceway_growth(
    bore_mm: float, raceway_mm: float, hollow_mm: float, effective_interference_um: float
) -> Answers:
    """How much the raceway of an inner ring grows over its interference.

    Formula: i·k·(1 - k0²)/(1 - k²·k0²), k = d/F, k0 = d0/d
    Worked: k = {bore_mm}/{raceway_mm}, k0 = {hollow_mm}/{bore_mm}; {effective_interference_um} µm grow {growth_um} µm
    Valid: thick-walled rings, shaft and ring of one material.
    Source: Lamé; bearing handbooks
    Example:
        >>> round(raceway_growth(50, 60, 25, 20)["growth_um"], 2)
        15.13
    """
    if raceway_mm <= bore_mm:
        raise BadInput("bad_sizes", "The raceway is larger than the bore.", "raceway_mm")
    if hollow_mm >= bore_mm:
        raise BadInput("bad_sizes", "The shaft's hole is smaller than the shaft.", "hollow_mm")
    k, k0 = bore_mm / raceway_mm, hollow_mm / bore_mm
    return {"growth_um": effective_interference_um * k * (1 - k0**2) / (1 - k**2 * k0**2)}


def taper_drive_up(taper_one_in: float, drive_up_mm: float) -> Answers:
    """How much a ring on a taper grows when it is driven up.

    Formula: diametral growth = axial drive-up / k
    Worked: {drive_up_mm}/{taper_one_in} = {diametral_um} µm
    Valid: taper 1:k, rigid shaft, before smoothing.
    Source: geometry
    Example:
        >>> round(taper_drive_up(12, 0.6)["diametral_um"], 6)
        50.0
    """
    return {"diametral_um": 1000 * drive_up_mm / taper_one_in}


def clearance_reduction_spherical_roller_taper_bore(bore_mm: float) -> Answers:
    """By how much the clearance of a spherical roller bearing is reduced when it is driven up its taper.

    Formula: as tabulated by bore
    Worked: bore {bore_mm}: {reduction_min_um} to {reduction_max_um} µm
    Valid: taper 1:12, bore over 24 to 500 mm, solid shaft.
    Source: table common to bearing handbooks, from memory
    Example:
        >>> clearance_reduction_spherical_roller_taper_bore(50)
        {'reduction_min_um': 25, 'reduction_max_um': 30}
    """
    for over, to, low, high in _DRIVE_UP:
        if over < bore_mm <= to:
            return {"reduction_min_um": low, "reduction_max_um": high}
    raise BadInput("over_the_table", "The table goes from over 24 to 500 mm.", "bore_mm")


def heating_for_interference(
    bore_mm: float, interference_um: float, assembly_clearance_um: float, ambient_c: float,
    ring_expansion_per_k: float,
) -> Answers:  # fmt: skip
    """How warm a ring must be to slide on.

    Formula: ΔT = (interference + assembly clearance)/(α·d)
    Worked: ({interference_um} + {assembly_clearance_um}) µm/({ring_expansion_per_k}·{bore_mm}) = {needed_rise_k}
        K; {ring_temperature_c} °C
    Valid: only the ring is heated; 110 °C at most, with seals or grease 80 °C.
    Source: first-order expansion
    Example:
        >>> round(heating_for_interference(50, 30, 0, 20, 12e-6)["ring_temperature_c"], 3)
        70.0
    """
    rise = (interference_um + assembly_clearance_um) / (1000 * ring_expansion_per_k * bore_mm)
    return {"needed_rise_k": rise, "ring_temperature_c": ambient_c + rise}


def heating_for_zone(
    bore_mm: float, shaft_zone: str, bearing_class: str, assembly_clearance_um: float, ambient_c: float,
    ring_expansion_per_k: float,
) -> Answers:  # fmt: skip
    """How warm a ring must be to slide on the tightest shaft of a zone.

    Formula: most interference = upper deviation of the shaft - lower deviation of the bore; then ΔT as for an interference
    Worked: most interference {most_interference_um} µm; {needed_rise_k} K; {ring_temperature_c} °C
    Valid: radial bearings; sizes of ISO 286-2 and ISO 492.
    Source: ISO 286-2, ISO 492
    Example:
        >>> round(heating_for_zone(50, "k6", "Normal", 25, 20, 12e-6)["most_interference_um"])
        30
    """
    shaft, bore = limits(bore_mm, shaft_zone), ring_limits("bore", bore_mm, bearing_class, "radial")
    most = shaft.upper_um - bore.lower_um
    if most <= 0:
        raise BadInput("always_loose", f"A shaft of {shaft_zone} is always loose in that bore.", "shaft_zone")
    warm = heating_for_interference(bore_mm, most, assembly_clearance_um, ambient_c, ring_expansion_per_k)
    return {"most_interference_um": most, **warm}


def chill_for_interference(
    shaft_mm: float, interference_um: float, assembly_clearance_um: float, ambient_c: float,
    shaft_expansion_per_k: float,
) -> Answers:  # fmt: skip
    """How cold a shaft must be to slide in.

    Formula: ΔT = (interference + clearance)/(α·d) below ambient
    Worked: ({interference_um} + {assembly_clearance_um}) µm/({shaft_expansion_per_k}·{shaft_mm}) = {needed_drop_k}
        K; {shaft_temperature_c} °C
    Valid: α held constant; steel becomes brittle in the cold, and frost wets the seat.
    Source: first-order expansion
    Example:
        >>> round(chill_for_interference(50, 30, 20, 20, 11e-6)["needed_drop_k"], 1)
        90.9
    """
    drop = (interference_um + assembly_clearance_um) / (1000 * shaft_expansion_per_k * shaft_mm)
    if ambient_c - drop < -273.15:
        raise BadInput("too_cold", "No cold makes the shaft that small.", "interference_um")
    return {"needed_drop_k": drop, "shaft_temperature_c": ambient_c - drop}


def heat_ring_and_chill_shaft(
    bore_mm: float, interference_um: float, ring_c: float, shaft_c: float, ambient_c: float,
    ring_expansion_per_k: float, shaft_expansion_per_k: float,
) -> Answers:  # fmt: skip
    """The gap that a warm ring and a cold shaft leave.

    Formula: gap = d·(α_ring·ΔT_ring + α_shaft·ΔT_shaft) - interference
    Worked: {bore_mm}·({ring_expansion_per_k}·({ring_c} - {ambient_c}) + {shaft_expansion_per_k}·({ambient_c} -
        {shaft_c})) - {interference_um} µm = {assembly_gap_um} µm
    Valid: negative is still tight.
    Source: first-order expansion
    Example:
        >>> round(heat_ring_and_chill_shaft(100, 100, 100, -40, 20, 12e-6, 11e-6)["assembly_gap_um"], 3)
        62.0
    """
    opened = ring_expansion_per_k * (ring_c - ambient_c) + shaft_expansion_per_k * (ambient_c - shaft_c)
    return {"assembly_gap_um": 1000 * bore_mm * opened - interference_um}


def housing_looser_when_warm(
    outside_mm: float, housing_expansion_per_k: float, ring_expansion_per_k: float, temperature_c: float
) -> Answers:
    """How much looser a ring sits in its housing when both are warm.

    Formula: D·(α_housing - α_ring)·(t - 20 °C)
    Worked: {outside_mm}·({housing_expansion_per_k} - {ring_expansion_per_k})·({temperature_c} - 20) = {looser_um} µm
    Valid: housing and ring equally warm.
    Source: first-order expansion
    Example:
        >>> round(housing_looser_when_warm(52, 23e-6, 12e-6, 70)["looser_um"], 1)
        28.6
    """
    apart = housing_expansion_per_k - ring_expansion_per_k
    return {"looser_um": 1000 * outside_mm * apart * (temperature_c - 20)}


def press_fit(  # noqa: PLR0913 - the fields of the question
    diameter_mm: float, hub_outside_mm: float, shaft_bore_mm: float, length_mm: float,
    effective_interference_um: float, friction: float, hub_modulus_mpa: float, hub_poisson: float,
    shaft_modulus_mpa: float, shaft_poisson: float,
) -> Answers:  # fmt: skip
    """What a press fit holds: pressure, force to press, torque, stress of the hub.

    Formula: p = δ/(d·[((Do²+d²)/(Do²-d²)+νo)/Eo + ((d²+di²)/(d²-di²)-νi)/Ei]); F = µ·p·π·d·L; T = F·d/2;
        σ = p·(Do²+d²)/(Do²-d²)
    Worked: p = {pressure_mpa} MPa; F = {friction}·p·π·{diameter_mm}·{length_mm} = {press_force_n} N; T =
        {torque_nm} N·m; σ = {hub_stress_mpa} MPa
    Valid: elastic, long cylinders.
    Source: Lamé
    Example:
        >>> round(press_fit(50, 100, 0, 60, 11.4459, 0.12, 206000, 0.3, 206000, 0.3)["torque_nm"])
        500
    """
    hub = _hub(diameter_mm, hub_outside_mm)
    if shaft_bore_mm >= diameter_mm:
        raise BadInput("bad_sizes", "The shaft's hole is smaller than the shaft.", "shaft_bore_mm")
    shaft = (diameter_mm**2 + shaft_bore_mm**2) / (diameter_mm**2 - shaft_bore_mm**2)
    gives = (hub + hub_poisson) / hub_modulus_mpa + (shaft - shaft_poisson) / shaft_modulus_mpa
    pressure = effective_interference_um / 1000 / (diameter_mm * gives)
    force = friction * pressure * math.pi * diameter_mm * length_mm
    return {
        "pressure_mpa": pressure, "press_force_n": force, "torque_nm": force * diameter_mm / 2000,
        "hub_stress_mpa": pressure * hub,
    }  # fmt: skip


def interference_for_torque(
    diameter_mm: float, hub_outside_mm: float, length_mm: float, torque_nm: float, friction: float,
    modulus_mpa: float, poisson: float,
) -> Answers:  # fmt: skip
    """The interference that a torque asks for.

    Formula: p = 2·T/(µ·π·d²·L), and the interference of that pressure as in a press fit
    Worked: p = 2·{torque_nm}/({friction}·π·{diameter_mm}²·{length_mm}) = {pressure_mpa} MPa;
        {effective_interference_um} µm
    Valid: solid shaft, one material, elastic.
    Source: Lamé
    Example:
        >>> round(interference_for_torque(50, 100, 60, 500, 0.12, 206000, 0.3)["effective_interference_um"], 2)
        11.45
    """
    hub = _hub(diameter_mm, hub_outside_mm)
    pressure = 2000 * torque_nm / (friction * math.pi * diameter_mm**2 * length_mm)
    gives = (hub + poisson + 1 - poisson) / modulus_mpa
    return {"pressure_mpa": pressure, "effective_interference_um": 1000 * pressure * diameter_mm * gives}


def _hub(diameter_mm: float, hub_outside_mm: float) -> float:
    if hub_outside_mm <= diameter_mm:
        raise BadInput("bad_sizes", "The hub is larger than the shaft.", "hub_outside_mm")
    return (hub_outside_mm**2 + diameter_mm**2) / (hub_outside_mm**2 - diameter_mm**2)


def radial_from_end_play(end_play_mm: float, contact_angle_deg: float) -> Answers:
    """The radial clearance of a pair of tapers that a measured end play stands for.

    Formula: diametral clearance of one bearing = end play of the pair · tan α
    Worked: {end_play_mm}·tan {contact_angle_deg}° = {diametral_mm} mm
    Valid: two bearings of the same angle.
    Source: geometry
    Example:
        >>> round(radial_from_end_play(0.1, 15)["diametral_mm"], 4)
        0.0268
    """
    return {"diametral_mm": end_play_mm * math.tan(math.radians(contact_angle_deg))}
