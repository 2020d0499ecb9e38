"""One table a file; importing this package declares them all."""

from bornek.store.tables.account import Account
from bornek.store.tables.act import Act
from bornek.store.tables.act_knob import ActKnob
from bornek.store.tables.attachment import Attachment
from bornek.store.tables.blob import Blob
from bornek.store.tables.component import Component
from bornek.store.tables.component_stay import ComponentStay
from bornek.store.tables.cross_number import CrossNumber
from bornek.store.tables.deed import Deed
from bornek.store.tables.device import Device
from bornek.store.tables.entry import Entry
from bornek.store.tables.explanation import Explanation
from bornek.store.tables.fact import Fact
from bornek.store.tables.gauge import Gauge
from bornek.store.tables.gauge_card import GaugeCard
from bornek.store.tables.gauge_line import GaugeLine
from bornek.store.tables.given_revision import GivenRevision
from bornek.store.tables.idempotency import Idempotency
from bornek.store.tables.job import Job
from bornek.store.tables.limit_table import LimitTable
from bornek.store.tables.look_for import LookFor
from bornek.store.tables.mechanic import Mechanic
from bornek.store.tables.part import Part
from bornek.store.tables.place import Place
from bornek.store.tables.proposal import Proposal
from bornek.store.tables.round import Round
from bornek.store.tables.setting import Setting
from bornek.store.tables.shim_lot import ShimLot
from bornek.store.tables.shim_measure import ShimMeasure
from bornek.store.tables.shop_hours import ShopHours
from bornek.store.tables.sign_in import SignIn
from bornek.store.tables.signature import Signature
from bornek.store.tables.standing import Standing
from bornek.store.tables.stock_movement import StockMovement
from bornek.store.tables.unit import Unit
from bornek.store.tables.unit_entry import UnitEntry
from bornek.store.tables.unit_type import UnitType
from bornek.store.tables.unit_type_revision import UnitTypeRevision
from bornek.store.tables.yard import Yard
from bornek.store.tables.yard_tool import YardTool

APPEND_ONLY = ("entry", "act", "act_knob", "given_revision", "explanation", "signature",
               "proposal", "stock_movement", "unit_type_revision", "round", "fact", "component_stay",
               "attachment", "look_for", "cross_number", "gauge_card", "shop_hours", "yard_tool",
               "mechanic", "component", "shim_lot", "blob", "limit_table", "shim_measure", "unit_entry", "deed")  # fmt: skip

__all__ = [
    "APPEND_ONLY",
    "Account",
    "Act",
    "ActKnob",
    "Attachment",
    "Blob",
    "Component",
    "ComponentStay",
    "CrossNumber",
    "Deed",
    "Device",
    "Entry",
    "Explanation",
    "Fact",
    "Gauge",
    "GaugeCard",
    "GaugeLine",
    "GivenRevision",
    "Idempotency",
    "Job",
    "LimitTable",
    "LookFor",
    "Mechanic",
    "Part",
    "Place",
    "Proposal",
    "Round",
    "Setting",
    "ShimLot",
    "ShimMeasure",
    "ShopHours",
    "SignIn",
    "Signature",
    "Standing",
    "StockMovement",
    "Unit",
    "UnitEntry",
    "UnitType",
    "UnitTypeRevision",
    "Yard",
    "YardTool",
]
